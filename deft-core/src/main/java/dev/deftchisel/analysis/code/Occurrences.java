package dev.deftchisel.analysis.code;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import javax.lang.model.element.VariableElement;

/** Collects where the variables of a body stand. */
final class Occurrences extends TreePathScanner<Void, Void> {

    private final AttributedFile code;
    private final List<Occurrence> found = new ArrayList<>();

    private Occurrences(AttributedFile code) {
        this.code = code;
    }

    static List<Occurrence> of(AttributedFile code, TreePath within) {
        Occurrences scanner = new Occurrences(code);
        scanner.scan(within, null);
        scanner.found.sort(Comparator.comparing(Occurrence::offset));
        return List.copyOf(scanner.found);
    }

    @Override
    public Void visitVariable(VariableTree tree, Void unused) {
        add(getCurrentPath(), Occurrence.Access.DECLARED);
        return super.visitVariable(tree, null);
    }

    @Override
    public Void visitIdentifier(IdentifierTree tree, Void unused) {
        add(getCurrentPath(), access());
        return null;
    }

    private void add(TreePath path, Occurrence.Access access) {
        boolean isLocal = code.element(path).filter(element -> element instanceof VariableElement
                && !element.getKind().isField()).isPresent();
        if (isLocal) {
            code.find(path.getLeaf()).ifPresent(range -> found.add(new Occurrence(
                    (VariableElement) code.element(path).orElseThrow(), path, range.start(), access)));
        }
    }

    private Occurrence.Access access() {
        TreePath path = getCurrentPath();
        while (path.getParentPath().getLeaf() instanceof ParenthesizedTree) {
            path = path.getParentPath();
        }
        Tree tree = path.getLeaf();
        Tree parent = path.getParentPath().getLeaf();
        if (parent instanceof AssignmentTree assignment && assignment.getVariable() == tree) {
            return Occurrence.Access.WRITTEN;
        }
        boolean isChanged = parent instanceof CompoundAssignmentTree compound && compound.getVariable() == tree
                || parent instanceof UnaryTree unary && switch (unary.getKind()) {
                    case PREFIX_INCREMENT, PREFIX_DECREMENT, POSTFIX_INCREMENT, POSTFIX_DECREMENT -> true;
                    default -> false;
                };
        return isChanged ? Occurrence.Access.CHANGED : Occurrence.Access.READ;
    }
}
