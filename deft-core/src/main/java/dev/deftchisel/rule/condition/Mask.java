package dev.deftchisel.rule.condition;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.value.Constants;
import java.util.Optional;

/** Numbers of which some bits are known (JLS 15.22.1). */
final class Mask {

    private Mask() {
    }

    /** What comparing masked bits with a number gives that has other bits; empty where it may have the same. */
    static Optional<Boolean> comparison(TreePath path, BinaryTree comparison, AttributedFile code) {
        boolean isEquality = comparison.getKind() == Tree.Kind.EQUAL_TO
                || comparison.getKind() == Tree.Kind.NOT_EQUAL_TO;
        TreePath left = TreePaths.inner(new TreePath(path, comparison.getLeftOperand()));
        TreePath right = TreePaths.inner(new TreePath(path, comparison.getRightOperand()));
        boolean isOther = isEquality && (differs(left, right, code) || differs(right, left, code));
        return isOther ? Optional.of(comparison.getKind() == Tree.Kind.NOT_EQUAL_TO) : Optional.empty();
    }

    private static boolean differs(TreePath masked, TreePath number, AttributedFile code) {
        Optional<Long> value = whole(number, code);
        if (value.isEmpty() || !(masked.getLeaf() instanceof BinaryTree operation)) {
            return false;
        }
        Optional<Long> mask = whole(new TreePath(masked, operation.getRightOperand()), code)
                .or(() -> whole(new TreePath(masked, operation.getLeftOperand()), code)).filter(bits -> bits != 0);
        return mask.filter(bits -> operation.getKind() == Tree.Kind.AND ? (value.get() & ~bits) != 0
                : operation.getKind() == Tree.Kind.OR && (bits & ~value.get()) != 0).isPresent();
    }

    private static Optional<Long> whole(TreePath path, AttributedFile code) {
        return Constants.value(code, path).filter(value -> value instanceof Integer || value instanceof Long)
                .map(value -> ((Number) value).longValue());
    }
}
