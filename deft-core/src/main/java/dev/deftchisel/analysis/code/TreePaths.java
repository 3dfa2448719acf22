package dev.deftchisel.analysis.code;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Ways through a tree that need nothing but the tree: parentheses, statements, bodies, switches. */
public final class TreePaths {

    private TreePaths() {
    }

    /** An expression without the parentheses around it. */
    public static ExpressionTree inner(ExpressionTree tree) {
        return tree instanceof ParenthesizedTree grouped ? inner(grouped.getExpression()) : tree;
    }

    /** The path to an expression without the parentheses around it. */
    public static TreePath inner(TreePath path) {
        return path.getLeaf() instanceof ParenthesizedTree grouped ? inner(new TreePath(path, grouped.getExpression()))
                : path;
    }

    /** The path to the tree around one that is no pair of parentheses. */
    public static TreePath outer(TreePath path) {
        TreePath parent = path.getParentPath();
        return parent.getLeaf() instanceof ParenthesizedTree ? outer(parent) : parent;
    }

    /** What stands on the other side of an operator, without the parentheses around it. */
    public static ExpressionTree otherOperand(BinaryTree operation, Tree operand) {
        ExpressionTree left = inner(operation.getLeftOperand());
        return left == operand ? inner(operation.getRightOperand()) : left;
    }

    /** The statements of a block or of a group of a {@code switch} (JLS 14.2, 14.11.1); none for any other tree. */
    public static List<? extends StatementTree> statements(Tree tree) {
        if (tree instanceof BlockTree block) {
            return block.getStatements();
        }
        return tree instanceof CaseTree group && group.getStatements() != null ? group.getStatements() : List.of();
    }

    /** Whether one of the trees from a tree outwards is such; the outer one is not looked at any more. */
    public static boolean leadsThrough(TreePath path, Tree outer, Predicate<Tree> wanted) {
        for (TreePath at = path; at != null && at.getLeaf() != outer; at = at.getParentPath()) {
            if (wanted.test(at.getLeaf())) {
                return true;
            }
        }
        return false;
    }

    /**
     * Whether a tree runs later, or several times, or for another object, than what is around it up to an outer tree.
     */
    public static boolean isDeferred(TreePath path, Tree outer) {
        return leadsThrough(path, outer, TreePaths::runsApart);
    }

    /** Whether what a tree contains runs at a time of its own: that of a lambda or class. */
    public static boolean runsApart(Tree tree) {
        return tree instanceof LambdaExpressionTree || tree instanceof ClassTree;
    }

    /** Whether a tree is a {@code switch}, statement or expression (JLS 14.11, 15.28). */
    public static boolean isChoice(Tree tree) {
        return tree instanceof SwitchTree || tree instanceof SwitchExpressionTree;
    }

    /** What a {@code switch} chooses from, with its parentheses. */
    public static ExpressionTree chosenFrom(Tree choice) {
        return choice instanceof SwitchTree statement ? statement.getExpression() : ((SwitchExpressionTree) choice)
                .getExpression();
    }

    /** The cases of a {@code switch}, in order. */
    public static List<? extends CaseTree> cases(Tree choice) {
        return choice instanceof SwitchTree statement ? statement.getCases() : ((SwitchExpressionTree) choice)
                .getCases();
    }

    /** Whether a call is that of another constructor, {@code this(...)} or {@code super(...)} (JLS 8.8.7.1). */
    public static boolean callsConstructor(MethodInvocationTree call) {
        ExpressionTree method = call.getMethodSelect();
        return method instanceof IdentifierTree name
                && (name.getName().contentEquals("this") || name.getName().contentEquals("super"))
                || method instanceof MemberSelectTree select && select.getIdentifier().contentEquals("super");
    }

    /** Whether an expression is {@code this} or {@code Outer.this} (JLS 15.8.3, 15.8.4). */
    public static boolean isThis(Tree tree) {
        return tree instanceof IdentifierTree name && name.getName().contentEquals("this")
                || tree instanceof MemberSelectTree select && select.getIdentifier().contentEquals("this");
    }

    /** The method or lambda around a tree, whose results it may return; empty in an initialiser. */
    public static Optional<TreePath> function(TreePath path) {
        for (TreePath at = path.getParentPath(); at != null
                && !(at.getLeaf() instanceof ClassTree); at = at.getParentPath()) {
            if (at.getLeaf() instanceof MethodTree || at.getLeaf() instanceof LambdaExpressionTree) {
                return Optional.of(at);
            }
        }
        return Optional.empty();
    }
}
