package dev.deftchisel.rule.condition;

import com.sun.source.tree.IfTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/** The same question asked again in a chain of {@code if} and {@code else} (JLS 14.9.2). */
public final class RepeatedCondition implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("repeated-condition", Tag.SUSPICIOUS, "A chain of questions asks the same twice",
                Effect.SAME_BEHAVIOUR)
                .because("The second time the answer is known to be no, so its branch is never taken.")
                .example("""
                        class Dues {
                            int due(int length) {
                                if (length > 100) {
                                    return 400;
                                } else if (length > 50) {
                                    return 200;
                                } else if (length > 100) {
                                    return 100;
                                } else {
                                    return 3;
                                }
                            }
                        }
                        """, """
                        class Dues {
                            int due(int length) {
                                if (length > 100) {
                                    return 400;
                                } else if (length > 50) {
                                    return 200;
                                } else {
                                    return 3;
                                }
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            int next() {
                                return 3;
                            }

                            int due() {
                                if (next() > 100) {
                                    return 400;
                                } else if (next() > 100) {
                                    return 200;
                                }
                                return 3;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.IF);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        IfTree tree = (IfTree) path.getLeaf();
        AttributedFile code = context.code();
        if (!(path.getParentPath().getLeaf() instanceof IfTree) || !isSteady(path, tree, code)) {
            return;
        }
        TreePath at = path;
        while (at.getParentPath().getLeaf() instanceof IfTree before && before.getElseStatement() == at.getLeaf()) {
            at = at.getParentPath();
            if (code.readsSame(before.getCondition(), tree.getCondition())) {
                context.report(tree.getCondition(), "this is never true here: line " + code.file().position(
                        code.range(before).start()).line() + " asks the same before", tree.getElseStatement() == null
                        ? new Fix[0] : new Fix[] {Fix.of("remove the branch that is never taken", edits ->
                                edits.replace(tree, to -> to.carry(code.range(tree.getElseStatement()))))});
                return;
            }
        }
    }

    private static boolean isSteady(TreePath path, IfTree tree, AttributedFile code) {
        Effects effects = code.effects(new TreePath(path, tree.getCondition()));
        return !effects.isVisible() && !effects.isFresh();
    }
}
