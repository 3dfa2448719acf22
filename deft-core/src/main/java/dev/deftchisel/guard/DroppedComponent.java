package dev.deftchisel.guard;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;

/**
 * The one thing that a canonical constructor does with a component which its record is announced to lose: it gives it
 * the value of the parameter (JLS 8.10.4.1).
 */
final class DroppedComponent {

    private final Analysis before;
    private final Change change;

    DroppedComponent(Analysis before, Change change) {
        this.before = before;
        this.change = change;
    }

    /** Whether all that an edit does is take such an assignment away. */
    boolean isAssignment(SourceFile file, Edit edit) {
        String gone = file.content().substring(edit.range().start(), edit.range().end());
        int start = edit.range().start() + gone.length() - gone.stripLeading().length();
        Range statement = new Range(start, Math.max(start, edit.range().start() + gone.stripTrailing().length()));
        return edit.replacement().isEmpty() && before.code(file.path()).stream()
                .anyMatch(code -> code.around(statement).stream()
                        .filter(path -> path.getLeaf() instanceof ExpressionStatementTree
                                && code.range(path.getLeaf()).equals(statement))
                        .anyMatch(path -> isDropped(code, path)));
    }

    private boolean isDropped(AttributedFile code, TreePath path) {
        if (!(((ExpressionStatementTree) path.getLeaf()).getExpression() instanceof AssignmentTree given)) {
            return false;
        }
        TreePath assignment = new TreePath(path, given);
        Optional<Element> field = code.element(new TreePath(assignment, given.getVariable()));
        Optional<Element> value = code.element(new TreePath(assignment, given.getExpression()));
        return field.isPresent() && field.get().getKind() == ElementKind.FIELD && value.isPresent()
                && value.get().getKind() == ElementKind.PARAMETER
                && value.get().getSimpleName().equals(field.get().getSimpleName())
                && value.get().getEnclosingElement() instanceof ExecutableElement constructor
                && constructor.getEnclosingElement().equals(field.get().getEnclosingElement())
                && constructor.getEnclosingElement().getKind() == ElementKind.RECORD
                && Optional.ofNullable(change.meaning().signatures().get(code.key(constructor)))
                .flatMap(NewSignature::origins)
                .filter(origins -> !origins.contains(constructor.getParameters().indexOf(value.get()))).isPresent();
    }
}
