package dev.deftchisel.rule.unused;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rule.MultiDeclaration;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.Optional;
import javax.lang.model.element.Element;

/** A declaration, and whether and how anyone in its file needs it. */
final class DeclarationUsage {

    private final RuleContext context;
    private final AttributedFile code;
    private final TreePath path;
    private final Element element;

    private DeclarationUsage(RuleContext context, TreePath path, Element element) {
        this.context = context;
        this.code = context.code();
        this.path = path;
        this.element = element;
    }

    static Optional<DeclarationUsage> at(TreePath path, RuleContext context) {
        return context.code().element(path).map(element -> new DeclarationUsage(context, path, element));
    }

    Element element() {
        return element;
    }

    String name() {
        return element.getSimpleName().toString();
    }

    /**
     * Whether something other than the code of this file may need it: an annotation says so, or its name stands in a
     * string, or is that of a member with an annotation, which frameworks pair with others by their names.
     */
    boolean isReachedOtherwise() {
        return DeclarationAnnotations.are(path, modifiers(), code) || context.names().isUnknown(name())
                || isInString(name()) || hasAnnotatedNamesake();
    }

    private boolean hasAnnotatedNamesake() {
        return element.getEnclosingElement().getEnclosedElements().stream()
                .anyMatch(other -> !other.equals(element) && other.getSimpleName().equals(element.getSimpleName())
                        && !other.getAnnotationMirrors().isEmpty());
    }

    private ModifiersTree modifiers() {
        Tree tree = path.getLeaf();
        if (tree instanceof VariableTree variable) {
            return variable.getModifiers();
        }
        return tree instanceof MethodTree method ? method.getModifiers() : ((ClassTree) tree).getModifiers();
    }

    /** Reflection finds members by their names. */
    private boolean isInString(String name) {
        Tokens tokens = code.tokens();
        if (!code.file().content().contains("\"" + name)) {
            return false;
        }
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.kind(i) == TokenKind.STRING && tokens.text(i).matches("\"" + name + "\\b.*\"")) {
                return true;
            }
        }
        return false;
    }

    /** Whether every use gives it a value as a statement of its own, so that none takes one from it. */
    boolean isOnlyWritten() {
        return context.names().uses(element).stream().allMatch(use -> write(use).isPresent());
    }

    /** The statement that does nothing with a use of it but to give it a value. */
    private Optional<TreePath> write(TreePath use) {
        TreePath parent = TreePaths.outer(use);
        Tree tree = parent.getLeaf();
        boolean isTarget = tree instanceof AssignmentTree assignment
                && TreePaths.inner(assignment.getVariable()) == use.getLeaf()
                || tree instanceof CompoundAssignmentTree compound
                && TreePaths.inner(compound.getVariable()) == use.getLeaf()
                || tree instanceof UnaryTree unary && switch (unary.getKind()) {
                    case PREFIX_INCREMENT, PREFIX_DECREMENT, POSTFIX_INCREMENT, POSTFIX_DECREMENT -> true;
                    default -> false;
                };
        return Optional.of(parent.getParentPath())
                .filter(statement -> isTarget && statement.getLeaf() instanceof ExpressionStatementTree
                        && isAmongStatements(statement));
    }

    private static boolean isAmongStatements(TreePath statement) {
        Tree around = statement.getParentPath().getLeaf();
        return around instanceof BlockTree || around instanceof CaseTree;
    }

    /** Whether it can go with all that gives it a value, and what these values do is still done. */
    boolean isRemovable() {
        return !sharesDeclaration() && isOnlyWritten() && initializer().map(this::canStandAlone).orElse(true)
                && context.names().uses(element).stream().flatMap(use -> value(use).stream())
                .allMatch(this::canStandAlone);
    }

    private Optional<TreePath> initializer() {
        return Optional.ofNullable(((VariableTree) path.getLeaf()).getInitializer())
                .map(value -> new TreePath(path, value));
    }

    private static Optional<TreePath> value(TreePath use) {
        TreePath parent = TreePaths.outer(use);
        if (parent.getLeaf() instanceof AssignmentTree assignment) {
            return Optional.of(new TreePath(parent, assignment.getExpression()));
        }
        return parent.getLeaf() instanceof CompoundAssignmentTree compound
                ? Optional.of(new TreePath(parent, compound.getExpression())) : Optional.empty();
    }

    private boolean canStandAlone(TreePath value) {
        return code.effectsInPlace(value).isPure() || isStatement((ExpressionTree) value.getLeaf());
    }

    /** Whether an expression can be a statement (JLS 14.8). */
    private static boolean isStatement(ExpressionTree value) {
        return value instanceof MethodInvocationTree || value instanceof NewClassTree || value instanceof AssignmentTree
                || value instanceof CompoundAssignmentTree;
    }

    /** Whether other variables are declared together with it (JLS 8.3, 14.4). */
    boolean sharesDeclaration() {
        return MultiDeclaration.isShared(path, code);
    }

    /** Takes it away; of the values it was given stays what they do. */
    void remove(FixEdits edits) {
        replace(edits, path, initializer());
        context.names().uses(element).forEach(use -> replace(edits, write(use).orElseThrow(), value(use)));
    }

    private void replace(FixEdits edits, TreePath statement, Optional<TreePath> value) {
        Optional<TreePath> kept = value.filter(path -> !code.effectsInPlace(path).isPure());
        if (kept.isPresent()) {
            edits.replace(statement.getLeaf(), to -> to.carry(code.range(kept.get().getLeaf())).write(";"));
        } else {
            edits.remove(Layout.withComments(code.file(), code.range(statement.getLeaf())));
        }
    }

    /** Takes a member away with its documentation and comments. */
    void removeMember(FixEdits edits) {
        edits.remove(Layout.withComments(code.file(), code.range(path.getLeaf())));
    }
}
