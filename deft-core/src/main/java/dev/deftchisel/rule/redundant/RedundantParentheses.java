package dev.deftchisel.rule.redundant;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.SynchronizedTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Set;

/** Parentheses that group what nothing could tear apart (JLS 15.8.5). */
public final class RedundantParentheses implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-parentheses", Tag.REDUNDANT, "Parentheses group nothing",
                Effect.SAME_CLASSES)
                .because("They make the reader look for a second operand that is not there.")
                .example("""
                        class Dues {
                            int due(int length) {
                                int rate = (length * 3);
                                int[] all = {(rate), ((length))};
                                Math.max((rate), (length + 1));
                                return (rate + all[(0)]);
                            }
                        }
                        """, """
                        class Dues {
                            int due(int length) {
                                int rate = length * 3;
                                int[] all = {rate, length};
                                Math.max(rate, length + 1);
                                return rate + all[0];
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            int due(int length) {
                                if ((length & 1) == 0) {
                                    return (length + 1) * 3;
                                }
                                boolean isLong = (length > 3) && (length < 9);
                                return isLong ? (int) (length * 2.5) : -(-length);
                            }
                        }
                        """)
                .weighing(Severity.HINT);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.PARENTHESIZED);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        ParenthesizedTree tree = (ParenthesizedTree) path.getLeaf();
        Tree parent = path.getParentPath().getLeaf();
        boolean isGiven = parent instanceof ParenthesizedTree;
        if (tree.getExpression() instanceof ParenthesizedTree || isOfStatement(parent)) {
            // of several pairs the innermost is reported; those of a statement are part of it
            return;
        }
        if (isGiven || isWhole(tree, parent) || isSimple(tree.getExpression(), parent)) {
            context.report(tree, "the parentheses group nothing", Fix.of("remove the parentheses", edits -> {
                Range range = context.code().range(tree);
                edits.replace(range, to -> to.apartFrom(range.start())
                        .carry(context.code().range(tree.getExpression())));
            }));
        }
    }

    private static boolean isOfStatement(Tree parent) {
        return parent instanceof IfTree || parent instanceof WhileLoopTree || parent instanceof DoWhileLoopTree
                || parent instanceof SynchronizedTree || TreePaths.isChoice(parent);
    }

    /** Whether it stands where an expression of any kind may stand. */
    private static boolean isWhole(ParenthesizedTree tree, Tree parent) {
        return parent instanceof VariableTree || parent instanceof ReturnTree || parent instanceof ThrowTree
                || parent instanceof NewArrayTree
                || parent instanceof AssignmentTree assignment && assignment.getExpression() == tree
                || parent instanceof CompoundAssignmentTree compound && compound.getExpression() == tree
                || parent instanceof MethodInvocationTree call && call.getArguments().contains(tree)
                || parent instanceof NewClassTree made && made.getArguments().contains(tree)
                || parent instanceof ArrayAccessTree access && access.getIndex() == tree;
    }

    /** Whether what is inside cannot be torn apart; a literal after a sign or before a dot could become another. */
    private static boolean isSimple(ExpressionTree inside, Tree parent) {
        boolean isName = inside instanceof IdentifierTree || inside instanceof MemberSelectTree
                || inside instanceof MethodInvocationTree || inside instanceof ArrayAccessTree;
        return isName && !(parent instanceof TypeCastTree) && !(parent instanceof ExpressionStatementTree)
                || inside instanceof LiteralTree && parent instanceof BinaryTree;
    }
}
