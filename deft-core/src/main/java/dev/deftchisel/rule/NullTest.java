package dev.deftchisel.rule;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import dev.deftchisel.analysis.code.TreePaths;
import java.util.Optional;

/** Comparisons with {@code null}. */
public final class NullTest {

    private NullTest() {
    }

    /** What is compared with {@code null} by an operator. */
    public static Optional<ExpressionTree> of(ExpressionTree condition, Tree.Kind operator) {
        if (TreePaths.inner(condition) instanceof BinaryTree comparison && comparison.getKind() == operator) {
            ExpressionTree left = TreePaths.inner(comparison.getLeftOperand());
            ExpressionTree right = TreePaths.inner(comparison.getRightOperand());
            if (right.getKind() == Tree.Kind.NULL_LITERAL) {
                return Optional.of(left);
            }
            return left.getKind() == Tree.Kind.NULL_LITERAL ? Optional.of(right) : Optional.empty();
        }
        return Optional.empty();
    }

    /** Whether it is a name that means the same each time: of a variable, perhaps of this object. */
    public static boolean isName(ExpressionTree tree) {
        return tree instanceof IdentifierTree || tree instanceof MemberSelectTree select
                && select.getExpression() instanceof IdentifierTree object && object.getName().contentEquals("this");
    }
}
