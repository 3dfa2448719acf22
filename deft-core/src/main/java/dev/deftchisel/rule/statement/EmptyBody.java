package dev.deftchisel.rule.statement;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.EmptyStatementTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Set;

/** A semicolon that is taken for the body of an {@code if} or a loop (JLS 14.6). */
public final class EmptyBody implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("empty-body", Tag.SUSPICIOUS, "A semicolon is the body of an if or loop",
                Effect.OTHER)
                .because("The block below looks like the body, and runs once whatever the condition says.")
                .example("""
                        class Berth {
                            void moor(boolean isFree) {
                                if (isFree); {
                                    System.out.println("moored");
                                }
                            }
                        }
                        """, """
                        class Berth {
                            void moor(boolean isFree) {
                                if (isFree) {
                                    System.out.println("moored");
                                }
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            void moor(java.util.Iterator<String> names) {
                                while (names.hasNext() && names.next() != null);
                                System.out.println("moored");
                            }
                        }
                        """)
                .alsoNamed("empty");
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.IF, Tree.Kind.WHILE_LOOP, Tree.Kind.FOR_LOOP, Tree.Kind.ENHANCED_FOR_LOOP);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        Tree tree = path.getLeaf();
        StatementTree body;
        if (tree instanceof IfTree choice) {
            body = choice.getElseStatement() == null ? choice.getThenStatement() : null;
        } else if (tree instanceof WhileLoopTree loop) {
            body = loop.getStatement();
        } else if (tree instanceof ForLoopTree loop) {
            body = loop.getStatement();
        } else {
            body = ((EnhancedForLoopTree) tree).getStatement();
        }
        if (!(body instanceof EmptyStatementTree)) {
            return;
        }
        List<? extends StatementTree> around = TreePaths.statements(path.getParentPath().getLeaf());
        int at = around.indexOf(tree);
        boolean hasBlock = at >= 0 && at + 1 < around.size() && around.get(at + 1) instanceof BlockTree;
        Range semicolon = context.code().range(body);
        if (hasBlock) {
            context.report(semicolon, "the block after this semicolon is not the body",
                    Fix.of("make the block the body", edits -> edits.cut(semicolon)));
        } else if (tree instanceof IfTree) {
            context.report(semicolon, "nothing depends on this condition");
        }
    }
}
