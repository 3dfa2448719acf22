package dev.deftchisel.rule;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.RuleContext;
import java.util.ArrayList;
import java.util.List;
import javax.lang.model.element.Element;

/** What a variable is given in its file. */
public final class WrittenValues {

    private WrittenValues() {
    }

    /** The value in its declaration, where it has one, and those of assignments, in the order of the text. */
    public static List<TreePath> of(Element variable, RuleContext context) {
        List<TreePath> values = new ArrayList<>();
        context.names().declaration(variable)
                .filter(path -> path.getLeaf() instanceof VariableTree declared && declared.getInitializer() != null)
                .ifPresent(path -> values.add(new TreePath(path, ((VariableTree) path.getLeaf()).getInitializer())));
        context.names().uses(variable).forEach(use -> {
            TreePath target = use.getParentPath().getLeaf() instanceof MemberSelectTree ? use.getParentPath() : use;
            if (target.getParentPath().getLeaf() instanceof AssignmentTree assignment
                    && assignment.getVariable() == target.getLeaf()) {
                values.add(new TreePath(target.getParentPath(), assignment.getExpression()));
            }
        });
        return values;
    }
}
