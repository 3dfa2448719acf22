package dev.deftchisel.rule.redundant;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/** A {@code return} without a value as the last statement of a body (JLS 14.17). */
public final class RedundantReturn implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-return", Tag.REDUNDANT, "A body ends with a return that changes nothing",
                Effect.SAME_CLASSES)
                .because("It ends here anyway.")
                .example("""
                        class Log {
                            void note(String line) {
                                System.out.println(line);
                                return;
                            }
                        }
                        """, """
                        class Log {
                            void note(String line) {
                                System.out.println(line);
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            void note(String line) {
                                if (line == null) {
                                    return;
                                }
                                System.out.println(line);
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.RETURN);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        TreePath body = path.getParentPath();
        Tree owner = body.getParentPath().getLeaf();
        boolean isLast = ((ReturnTree) path.getLeaf()).getExpression() == null
                && body.getLeaf() instanceof BlockTree block
                && block.getStatements().get(block.getStatements().size() - 1) == path.getLeaf();
        if (isLast && (owner instanceof MethodTree || owner instanceof LambdaExpressionTree)) {
            context.report(path.getLeaf(), "the body ends here anyway",
                    Fix.of("remove the return", edits -> edits.remove(context.code().range(path.getLeaf()))));
        }
    }
}
