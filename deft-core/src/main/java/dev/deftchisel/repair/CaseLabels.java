package dev.deftchisel.repair;

import com.sun.source.tree.CaseTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.TreePaths;

/** Labels of a switch, which newer compilers wrap in a tree of their own (JLS 14.11.1). */
public final class CaseLabels {

    private CaseLabels() {
    }

    /** The case that an expression is the label of; what is around it otherwise. */
    public static TreePath branch(TreePath expression) {
        TreePath outer = TreePaths.outer(expression);
        boolean isWrapped = !(outer.getLeaf() instanceof CaseTree) && outer.getLeaf().getKind().name()
                .endsWith("CASE_LABEL");
        return isWrapped ? outer.getParentPath() : outer;
    }
}
