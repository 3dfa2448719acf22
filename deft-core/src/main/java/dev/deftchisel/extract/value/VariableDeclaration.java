package dev.deftchisel.extract.value;

import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;

/** How a variable for an expression is declared: its modifiers and type, as the code around does it. */
final class VariableDeclaration {

    private static final int LEVEL_OF_VAR = 10;

    private final AttributedFile code;
    private final SelectedExpression selected;
    private final String name;
    private final TypeWriter writer;
    private final boolean isVar;
    private final boolean isFinal;
    private final boolean isAssigned;

    /**
     * @param code     the file
     * @param selected the value
     * @param name     of the variable
     * @param writer   of its type
     */
    VariableDeclaration(AttributedFile code, SelectedExpression selected, String name, VariableForm form,
            TypeWriter writer) {
        this.isAssigned = form == VariableForm.ASSIGNED;
        this.code = code;
        this.selected = selected;
        this.name = name;
        this.writer = writer;
        Habits style = new Habits();
        style.scan(new TreePath(code.unit()), null);
        boolean mayBeVar = code.file().module().level() >= LEVEL_OF_VAR
                && isStandalone(selected.tree(), selected.path());
        this.isVar = mayBeVar && (form == VariableForm.VAR || form == VariableForm.STYLE
                && style.vars * 2 > style.all);
        this.isFinal = style.finals * 2 > style.all;
    }

    /** The type as it is written; empty when it has no name. */
    Optional<String> type() {
        return isVar ? Optional.of("var") : code.type(selected.path()).flatMap(writer::write);
    }

    /** Writes all that stands before the value. */
    NewCode write(NewCode to) {
        return to.write(isAssigned ? "" : (isFinal ? "final " : "") + type().orElseThrow() + " ").name(name)
                .write(" = ");
    }

    /** What the types of all variables of the same writer need. */
    List<Edit> imports() {
        return isAssigned ? List.of() : writer.imports();
    }

    String name() {
        return name;
    }

    SelectedExpression selected() {
        return selected;
    }

    /** Whether the expression has its type by itself rather than from what is around it (JLS 15.2). */
    private boolean isStandalone(ExpressionTree tree, TreePath path) {
        if (tree instanceof ParenthesizedTree inner) {
            return isStandalone(inner.getExpression(), new TreePath(path, inner.getExpression()));
        }
        if (tree instanceof NewClassTree made) {
            return !(made.getIdentifier() instanceof ParameterizedTypeTree type) || !type.getTypeArguments().isEmpty();
        }
        boolean isGenericCall = tree instanceof MethodInvocationTree call && call.getTypeArguments().isEmpty()
                && code.element(path).orElse(null) instanceof ExecutableElement method && !method.getTypeParameters()
                .isEmpty();
        return !isGenericCall && !(tree instanceof LambdaExpressionTree) && !(tree instanceof MemberReferenceTree)
                && !(tree instanceof ConditionalExpressionTree) && !(tree instanceof SwitchExpressionTree);
    }

    /** Counts how the local variables of the code around are declared. */
    private final class Habits extends TreePathScanner<Void, Void> {

        private int all;
        private int vars;
        private int finals;

        @Override
        public Void visitVariable(VariableTree tree, Void unused) {
            Element element = code.element(getCurrentPath()).orElse(null);
            if (element != null && element.getKind() == ElementKind.LOCAL_VARIABLE && tree.getInitializer() != null) {
                all++;
                vars += code.find(tree).filter(range -> code.text(range).matches("(?s)(final\\s+)?var\\s.*"))
                        .isPresent() ? 1 : 0;
                finals += tree.getModifiers().getFlags().contains(Modifier.FINAL) ? 1 : 0;
            }
            return super.visitVariable(tree, null);
        }
    }
}
