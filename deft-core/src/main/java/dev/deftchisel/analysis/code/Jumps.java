package dev.deftchisel.analysis.code;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.SynchronizedTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.tree.YieldTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import com.sun.source.util.TreeScanner;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Name;

/**
 * Where control goes other than to the next statement (JLS 14.14 to 14.17, 14.21), and whether it gets there (14.22).
 */
public final class Jumps {

    private Jumps() {
    }

    /**
     * A {@code return}, {@code break}, {@code continue} or {@code yield}.
     *
     * @param path   the statement
     * @param target what it leaves or goes on with: a method, lambda, loop, {@code switch} or labelled statement
     */
    public record Jump(TreePath path, Tree target) {

        /** The statement. */
        public StatementTree tree() {
            return (StatementTree) path.getLeaf();
        }

        /** What it passes; empty when nothing. */
        public Optional<ExpressionTree> value() {
            if (path.getLeaf() instanceof ReturnTree result) {
                return Optional.ofNullable(result.getExpression());
            }
            return path.getLeaf() instanceof YieldTree result ? Optional.of(result.getValue()) : Optional.empty();
        }
    }

    /** The jumps in a piece of code whose target lies outside of it, in order. */
    public static List<Jump> leaving(List<TreePath> parts) {
        List<Jump> found = new ArrayList<>();
        for (TreePath part : parts) {
            new TreePathScanner<Void, Void>() {
                @Override
                public Void scan(Tree tree, Void unused) {
                    boolean isElsewhere = tree instanceof ClassTree || tree instanceof LambdaExpressionTree;
                    return isElsewhere ? null : super.scan(tree, null);
                }

                @Override
                public Void visitReturn(ReturnTree tree, Void unused) {
                    return jump();
                }

                @Override
                public Void visitYield(YieldTree tree, Void unused) {
                    super.visitYield(tree, null);
                    return jump();
                }

                @Override
                public Void visitBreak(BreakTree tree, Void unused) {
                    return jump();
                }

                @Override
                public Void visitContinue(ContinueTree tree, Void unused) {
                    return jump();
                }

                private Void jump() {
                    target(getCurrentPath(), part).ifPresent(found::add);
                    return null;
                }
            }.scan(part, null);
        }
        return List.copyOf(found);
    }

    private static Optional<Jump> target(TreePath jump, TreePath part) {
        boolean isOutside = false;
        for (TreePath at = jump; at != null; at = at.getParentPath()) {
            if (isTarget(jump.getLeaf(), at)) {
                return isOutside ? Optional.of(new Jump(jump, at.getLeaf())) : Optional.empty();
            }
            isOutside |= at.getLeaf() == part.getLeaf();
        }
        return Optional.empty();
    }

    private static boolean isTarget(Tree jump, TreePath at) {
        Tree tree = at.getLeaf();
        if (jump instanceof ReturnTree) {
            return tree instanceof MethodTree || tree instanceof LambdaExpressionTree;
        }
        if (jump instanceof YieldTree) {
            return tree instanceof SwitchExpressionTree;
        }
        Name label = jump instanceof BreakTree out ? out.getLabel() : ((ContinueTree) jump).getLabel();
        if (label != null) {
            return tree instanceof LabeledStatementTree named && named.getLabel().equals(label);
        }
        return isLoop(tree) || jump instanceof BreakTree && tree instanceof SwitchTree;
    }

    /** Whether a statement is a loop (JLS 14.12 to 14.14). */
    public static boolean isLoop(Tree tree) {
        return tree instanceof WhileLoopTree || tree instanceof DoWhileLoopTree || tree instanceof ForLoopTree
                || tree instanceof EnhancedForLoopTree;
    }

    /** Whether the code after some statements can be reached through them. True when in doubt. */
    public static boolean canComplete(List<? extends StatementTree> statements) {
        return statements.stream().allMatch(Jumps::canComplete);
    }

    /** Whether a statement can complete normally. True when in doubt. */
    public static boolean canComplete(StatementTree tree) {
        if (tree instanceof ReturnTree || tree instanceof ThrowTree || tree instanceof BreakTree
                || tree instanceof ContinueTree || tree instanceof YieldTree) {
            return false;
        } else if (tree instanceof BlockTree block) {
            return canComplete(block.getStatements());
        } else if (tree instanceof IfTree choice) {
            return choice.getElseStatement() == null || canComplete(choice.getThenStatement())
                    || canComplete(choice.getElseStatement());
        } else if (tree instanceof SynchronizedTree locked) {
            return canComplete(locked.getBlock());
        } else if (tree instanceof LabeledStatementTree named) {
            return canComplete(named.getStatement()) || hasBreak(named.getStatement(), named);
        } else if (tree instanceof TryTree attempt) {
            boolean someWay = canComplete(attempt.getBlock())
                    || attempt.getCatches().stream().map(CatchTree::getBlock).anyMatch(Jumps::canComplete);
            return someWay && (attempt.getFinallyBlock() == null || canComplete(attempt.getFinallyBlock()));
        }
        return !(isEndless(tree) || tree instanceof SwitchTree choice && leavesAlways(choice)) || hasBreak(tree, tree);
    }

    /** Whether every way through a choice leaves it by something other than a {@code break} (JLS 14.22). */
    private static boolean leavesAlways(SwitchTree choice) {
        List<? extends CaseTree> cases = choice.getCases();
        boolean hasDefault = cases.stream().anyMatch(group -> group.toString().startsWith("default"));
        return hasDefault && (cases.get(0).getCaseKind() == CaseTree.CaseKind.RULE
                ? cases.stream().allMatch(group -> group.getBody() instanceof StatementTree body && !canComplete(body))
                : !canComplete(cases.get(cases.size() - 1).getStatements()));
    }

    private static boolean isEndless(StatementTree tree) {
        return tree instanceof WhileLoopTree loop && isTrue(loop.getCondition())
                || tree instanceof DoWhileLoopTree last && isTrue(last.getCondition())
                || tree instanceof ForLoopTree round && (round.getCondition() == null || isTrue(round.getCondition()));
    }

    private static boolean isTrue(ExpressionTree condition) {
        return condition instanceof ParenthesizedTree inner ? isTrue(inner.getExpression())
                : condition instanceof LiteralTree literal && Boolean.TRUE.equals(literal.getValue());
    }

    /**
     * Whether there is a {@code break} in a statement that may leave a loop or label; labels are taken for one another.
     */
    private static boolean hasBreak(StatementTree within, Tree target) {
        boolean[] found = {false};
        new TreeScanner<Void, Boolean>() {
            @Override
            public Void scan(Tree tree, Boolean isNested) {
                if (tree instanceof BreakTree out) {
                    found[0] |= out.getLabel() != null || !isNested;
                }
                boolean takesBreaks = tree != target && (isLoop(tree) || tree instanceof SwitchTree);
                boolean isElsewhere = tree instanceof ClassTree || tree instanceof LambdaExpressionTree;
                return isElsewhere ? null : super.scan(tree, isNested || takesBreaks
                        || target instanceof LabeledStatementTree);
            }
        }.scan(within, false);
        return found[0];
    }
}
