package dev.deftchisel.rule.redundant;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/** A {@code continue} as the last statement of a loop's body (JLS 14.16). */
public final class RedundantContinue implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-continue", Tag.REDUNDANT, "A loop's body ends with a continue",
                Effect.SAME_CLASSES)
                .because("The next round begins here anyway.")
                .example("""
                        class Log {
                            void note(String[] lines) {
                                for (String line : lines) {
                                    System.out.println(line);
                                    continue;
                                }
                            }
                        }
                        """, """
                        class Log {
                            void note(String[] lines) {
                                for (String line : lines) {
                                    System.out.println(line);
                                }
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            void note(String[][] pages) {
                                page:
                                for (String[] lines : pages) {
                                    for (String line : lines) {
                                        System.out.println(line);
                                        continue page;
                                    }
                                    if (lines.length == 0) {
                                        continue;
                                    }
                                    System.out.println();
                                }
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CONTINUE);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        TreePath body = path.getParentPath();
        boolean isLast = ((ContinueTree) path.getLeaf()).getLabel() == null && body.getLeaf() instanceof BlockTree block
                && block.getStatements().get(block.getStatements().size() - 1) == path.getLeaf();
        if (isLast && Jumps.isLoop(body.getParentPath().getLeaf())) {
            context.report(path.getLeaf(), "the next round begins here anyway",
                    Fix.of("remove the continue", edits -> edits.remove(context.code().range(path.getLeaf()))));
        }
    }
}
