package dev.deftchisel.rule.condition;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Set;

/** Two branches that do the same (JLS 14.9, 15.25). */
public final class SameBranches implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("same-branches", Tag.SUSPICIOUS, "Both branches do the same", Effect.SAME_BEHAVIOUR)
                .because("The condition makes no difference; one of the branches was probably meant to.")
                .example("""
                        class Dues {
                            int due(int length, boolean isLong) {
                                int rate = isLong ? 3 : 3;
                                if (isLong) {
                                    return length * rate;
                                } else {
                                    return length * rate;
                                }
                            }
                        }
                        """, """
                        class Dues {
                            int due(int length, boolean isLong) {
                                int rate = 3;
                                return length * rate;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            int due(int length, boolean isLong, boolean isWide) {
                                if (isLong) {
                                    return 3;
                                } else if (isWide) {
                                    return 3;
                                } else {
                                    return length;
                                }
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.IF, Tree.Kind.CONDITIONAL_EXPRESSION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        if (path.getLeaf() instanceof ConditionalExpressionTree choice) {
            if (code.readsSame(choice.getTrueExpression(), choice.getFalseExpression())) {
                context.report(choice, "both branches are the same", isPure(path, choice.getCondition(), code)
                        ? new Fix[] {Fix.of("keep the branch", edits -> edits.keep(path, choice.getTrueExpression()))}
                        : new Fix[0]);
            }
            return;
        }
        IfTree tree = (IfTree) path.getLeaf();
        // the last of a chain may list what else is known
        boolean isListed = path.getParentPath().getLeaf() instanceof IfTree before && before.getElseStatement() == tree;
        // a comment says what is different about them, and what throws in both cases waits to be written
        boolean isSame = !isListed && tree.getElseStatement() != null
                && code.readsSame(tree.getThenStatement(), tree.getElseStatement())
                && !code.hasComment(code.range(tree)) && !isThrow(tree.getThenStatement());
        if (isSame) {
            Range word = new Range(code.range(tree).start(), code.range(tree).start() + 2);
            context.report(word, "both branches do the same", isPure(path, tree.getCondition(), code)
                    && path.getParentPath().getLeaf() instanceof BlockTree && isSimple(tree.getThenStatement())
                    ? new Fix[] {Fix.of("keep the branch", edits -> keep(edits, tree))} : new Fix[0]);
        }
    }

    private static boolean isThrow(StatementTree branch) {
        List<? extends StatementTree> inside = TreePaths.statements(branch);
        return branch instanceof ThrowTree || inside.size() == 1 && inside.get(0) instanceof ThrowTree;
    }

    private static boolean isPure(TreePath path, ExpressionTree condition, AttributedFile code) {
        return code.effectsInPlace(new TreePath(path, condition)).isPure();
    }

    /** Whether what the branch holds can stand among the statements around. */
    private static boolean isSimple(StatementTree branch) {
        return !(branch instanceof BlockTree block) || !block.getStatements().isEmpty()
                && block.getStatements().stream().noneMatch(statement -> statement instanceof VariableTree
                        || statement instanceof ClassTree);
    }

    private static void keep(FixEdits edits, IfTree tree) {
        AttributedFile code = edits.code();
        StatementTree branch = tree.getThenStatement();
        List<? extends StatementTree> inside = branch instanceof BlockTree block ? block.getStatements()
                : List.of(branch);
        Range kept = new Range(code.range(inside.get(0)).start(), code.range(inside.get(inside.size() - 1)).end());
        edits.replace(tree, to -> to.carry(kept, Layout.indentOf(code.file(), kept.start()),
                Layout.indentOf(code.file(), code.range(tree).start())));
    }
}
