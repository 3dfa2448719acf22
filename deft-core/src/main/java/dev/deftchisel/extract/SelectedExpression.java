package dev.deftchisel.extract;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.SynchronizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * An expression that can be given a name.
 *
 * @param path  the expression, without parentheses around it; of a part of a chain {@code a + b + c} the operator at
 *              which the part ends
 * @param range of its code, which may be less than that of the tree: {@code b + c}
 */
public record SelectedExpression(TreePath path, Range range) {

    public ExpressionTree tree() {
        return (ExpressionTree) path.getLeaf();
    }

    /** The class that it stands in. */
    public TreePath owner() {
        TreePath at = path;
        while (!(at.getLeaf() instanceof ClassTree)) {
            at = at.getParentPath();
        }
        return at;
    }

    /** Why evaluating it again can give something else, within one object; empty when it cannot. */
    public Optional<String> variation(AttributedFile code) {
        Effects effects = code.effects(path);
        return effects.readsLocals().stream().findFirst()
                .map(local -> "it depends on '" + local.getSimpleName() + "', which is another each time")
                .or(() -> !effects.isPure() || effects.isFresh()
                        ? Optional.of("evaluating it may do something, fail, or give another object each time")
                        : effects.readsState() ? Optional.of("it depends on fields or elements that may change")
                        : Optional.empty());
    }

    /** The code of an expression like this one: of this one itself, of the part of a chain. */
    public Range own(AttributedFile code, TreePath used) {
        return used.getLeaf() == tree() ? range : code.range(used.getLeaf());
    }

    /** The same with the parentheses that go when a name takes its place. */
    public Range whole(AttributedFile code, TreePath used) {
        return isPartOfChain(code) ? own(code, used) : withParentheses(code, used, own(code, used));
    }

    /** Whether only the last operands of a chain are meant. */
    public boolean isPartOfChain(AttributedFile code) {
        return !code.range(tree()).equals(range);
    }

    /**
     * The same without bare names, unless one is selected: nobody who puts the caret in a name wants another for it.
     */
    public static List<SelectedExpression> computed(AttributedFile code, Range selection) {
        return at(code, selection).stream()
                .filter(selected -> selection.length() > 0 || selected.tree().getKind() != Tree.Kind.IDENTIFIER)
                .toList();
    }

    /**
     * The expressions at a place, best first: what is selected, give or take white space, parentheses and a semicolon;
     * or, from a bare caret, those around it from the innermost on that says more than a single name.
     */
    public static List<SelectedExpression> at(AttributedFile code, Range selection) {
        if (selection.length() == 0) {
            return around(code, selection);
        }
        Range trimmed = trim(code, selection);
        for (TreePath path : code.around(trimmed)) {
            if (path.getLeaf() instanceof ExpressionTree) {
                TreePath bare = withoutParentheses(path);
                if (code.range(path.getLeaf()).equals(trimmed) || code.range(bare.getLeaf()).equals(trimmed)) {
                    return isValue(code, bare) ? List.of(new SelectedExpression(bare, code.range(bare.getLeaf())))
                            : List.of();
                }
                if (path.getLeaf() instanceof BinaryTree binary && isEndOfChain(code, path, binary, trimmed)) {
                    return List.of(new SelectedExpression(path, trimmed));
                }
            }
        }
        return List.of();
    }

    private static List<SelectedExpression> around(AttributedFile code, Range caret) {
        List<SelectedExpression> ordered = new ArrayList<>();
        List<SelectedExpression> trivial = new ArrayList<>();
        for (TreePath path : code.around(caret)) {
            TreePath bare = withoutParentheses(path);
            boolean isKnown = Stream.concat(ordered.stream(), trivial.stream())
                    .anyMatch(one -> one.tree() == bare.getLeaf());
            if (bare.getLeaf() instanceof ExpressionTree && !isKnown && isValue(code, bare)) {
                SelectedExpression found = new SelectedExpression(bare, code.range(bare.getLeaf()));
                (found.isTrivial() ? trivial : ordered).add(found);
            } else if (path.getLeaf() instanceof StatementTree) {
                // what lies around the statement comes after all that is in it
                ordered.addAll(trivial);
                trivial.clear();
            }
        }
        ordered.addAll(trivial);
        return ordered;
    }

    /** A name or literal by itself. */
    private boolean isTrivial() {
        return tree() instanceof IdentifierTree || tree() instanceof LiteralTree;
    }

    private static TreePath withoutParentheses(TreePath path) {
        TreePath bare = path;
        while (bare.getLeaf() instanceof ParenthesizedTree inner) {
            bare = new TreePath(bare, inner.getExpression());
        }
        return bare;
    }

    /** Without white space, comments and a semicolon at its ends. */
    private static Range trim(AttributedFile code, Range selection) {
        Tokens tokens = code.tokens();
        int first = tokens.code(tokens.at(selection.start()));
        int last = tokens.codeBefore(tokens.at(selection.end() - 1));
        while (last > first && tokens.is(last, ';')) {
            last = tokens.codeBefore(last - 1);
        }
        boolean isNothing = first >= tokens.count() || last < first;
        return isNothing ? selection : new Range(tokens.start(first), tokens.end(last));
    }

    /** Whether the expression computes a value that a variable can hold. */
    public static boolean isValue(AttributedFile code, TreePath path) {
        Tree tree = path.getLeaf();
        Tree parent = path.getParentPath().getLeaf();
        Element element = code.element(path).orElse(null);
        boolean namesNoValue = (tree instanceof IdentifierTree || tree instanceof MemberSelectTree) && element != null
                && !(element.getKind().isField() || element.getKind() == ElementKind.LOCAL_VARIABLE
                || element.getKind() == ElementKind.PARAMETER || element.getKind() == ElementKind.EXCEPTION_PARAMETER
                || element.getKind() == ElementKind.RESOURCE_VARIABLE
                || element.getKind() == ElementKind.BINDING_VARIABLE);
        TypeMirror type = code.type(path).orElse(null);
        boolean isEnumConstant = parent instanceof VariableTree && code.element(path.getParentPath())
                .filter(variable -> variable.getKind() == ElementKind.ENUM_CONSTANT).isPresent();
        boolean hasType = type != null && type.getKind() != TypeKind.VOID && type.getKind() != TypeKind.NULL
                && type.getKind() != TypeKind.EXECUTABLE && type.getKind() != TypeKind.PACKAGE;
        return hasType && !isEnumConstant && !namesNoValue && !isTypeNode(path) && !isWritten(tree, parent)
                && !isPartOfName(path)
                && !(tree instanceof NewArrayTree array && array.getType() == null)
                && !(tree instanceof AnnotationTree);
    }

    private static boolean isTypeNode(TreePath path) {
        Tree tree = path.getLeaf();
        Tree parent = path.getParentPath().getLeaf();
        return switch (tree.getKind()) {
            case PRIMITIVE_TYPE, ARRAY_TYPE, PARAMETERIZED_TYPE, ANNOTATED_TYPE, ERRONEOUS -> true;
            default -> parent instanceof NewClassTree made && made.getIdentifier() == tree;
        };
    }

    private static boolean isWritten(Tree tree, Tree parent) {
        if (parent instanceof UnaryTree unary) {
            return switch (unary.getKind()) {
                case PREFIX_INCREMENT, PREFIX_DECREMENT, POSTFIX_INCREMENT, POSTFIX_DECREMENT -> true;
                default -> false;
            };
        }
        return parent instanceof AssignmentTree assignment && assignment.getVariable() == tree
                || parent instanceof CompoundAssignmentTree compound && compound.getVariable() == tree;
    }

    /** The method of a call, {@code super} before a dot, the label of a case, the value of an annotation. */
    private static boolean isPartOfName(TreePath path) {
        Tree tree = path.getLeaf();
        Tree parent = path.getParentPath().getLeaf();
        boolean isMethodName = parent instanceof MethodInvocationTree call && call.getMethodSelect() == tree;
        boolean isSuper = tree instanceof IdentifierTree name && name.getName().contentEquals("super");
        boolean isLabel = parent instanceof CaseTree label && label.getBody() != tree
                && !(label.getStatements() != null && label.getStatements().contains(tree));
        boolean inAnnotation = false;
        for (TreePath at = path; at != null && !inAnnotation; at = at.getParentPath()) {
            inAnnotation = at.getLeaf() instanceof AnnotationTree;
        }
        return isMethodName || isSuper || isLabel || inAnnotation
                || parent instanceof ArrayAccessTree && tree.getKind() == Tree.Kind.PRIMITIVE_TYPE
                || parent.getKind().name().endsWith("CASE_LABEL");
    }

    /**
     * Whether a range covers the last operands of a chain of one operator that may as well be grouped on the right: the
     * logical ones always, the others on integers of one type (JLS 15.7.3; floating point and mixed text may differ).
     */
    private static boolean isEndOfChain(AttributedFile code, TreePath path, BinaryTree chain, Range range) {
        if (code.range(chain).end() != range.end()) {
            return false;
        }
        ExpressionTree left = chain.getLeftOperand();
        TreePath leftPath = new TreePath(path, left);
        while (left instanceof BinaryTree inner && inner.getKind() == chain.getKind()) {
            if (code.range(inner.getRightOperand()).start() == range.start()) {
                return isAssociative(code, path, chain) && isAssociative(code, leftPath, inner);
            }
            left = inner.getLeftOperand();
            leftPath = new TreePath(leftPath, left);
        }
        return false;
    }

    private static boolean isAssociative(AttributedFile code, TreePath path, BinaryTree operation) {
        Optional<TypeKind> type = code.type(path).map(TypeMirror::getKind);
        boolean sameTypes = code.type(new TreePath(path, operation.getLeftOperand())).map(TypeMirror::getKind)
                .equals(type)
                && code.type(new TreePath(path, operation.getRightOperand())).map(TypeMirror::getKind).equals(type);
        boolean isInteger = type.filter(kind -> kind == TypeKind.INT || kind == TypeKind.LONG).isPresent();
        return switch (operation.getKind()) {
            case CONDITIONAL_AND, CONDITIONAL_OR -> true;
            case PLUS, MULTIPLY -> sameTypes && isInteger;
            case AND, OR, XOR -> sameTypes;
            default -> false;
        };
    }

    /** Writes a name in a place of the value, whose code is written once for all of them. */
    public Edit named(AttributedFile code, TreePath place, String name) {
        Range whole = whole(code, place);
        Edit edit = new NewCode(code.file()).apartFrom(whole.start()).name(name).replacing(whole);
        return own(code, place).equals(range) ? edit : edit.giving(List.of(new DuplicateClaim(whole, range)));
    }

    /** A range with the parentheses around it; those of an {@code if} and the like are not the expression's own. */
    public static Range withParentheses(AttributedFile code, TreePath path, Range range) {
        Range whole = range;
        TreePath at = path.getParentPath();
        while (at.getLeaf() instanceof ParenthesizedTree && !ownsParentheses(at.getParentPath().getLeaf())) {
            whole = code.range(at.getLeaf());
            at = at.getParentPath();
        }
        return whole;
    }

    private static boolean ownsParentheses(Tree statement) {
        return statement instanceof IfTree || statement instanceof WhileLoopTree || statement instanceof DoWhileLoopTree
                || statement instanceof SwitchTree || statement instanceof SwitchExpressionTree
                || statement instanceof SynchronizedTree;
    }
}
