package dev.deftchisel.rule.condition;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/** The opposite of what can be said directly (JLS 15.15.6). */
public final class NeedlessNegation implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("needless-negation", Tag.REDUNDANT, "A negation could be said directly",
                Effect.SAME_BEHAVIOUR)
                .because("The comparison the other way round reads without a second thought.")
                .example("""
                        class Berth {
                            boolean isFree(Object vessel, int depth, boolean isOpen) {
                                return !(vessel != null) && !(depth < 3) && !!isOpen;
                            }
                        }
                        """, """
                        class Berth {
                            boolean isFree(Object vessel, int depth, boolean isOpen) {
                                return vessel == null && depth >= 3 && isOpen;
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            boolean isFree(Object vessel, double depth, boolean isOpen) {
                                return !(vessel instanceof String) && !(depth < 3) && !(isOpen && vessel == null) && !isOpen;
                            }
                        }
                        """)
                .weighing(Severity.HINT);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.LOGICAL_COMPLEMENT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        ExpressionTree operand = ((UnaryTree) path.getLeaf()).getExpression();
        TreePath condition = TreePaths.inner(new TreePath(path, operand));
        boolean isDirect = switch (condition.getLeaf().getKind()) {
            case EQUAL_TO, NOT_EQUAL_TO, LESS_THAN, LESS_THAN_EQUAL, GREATER_THAN, GREATER_THAN_EQUAL,
                    LOGICAL_COMPLEMENT -> true;
            default -> false;
        };
        boolean isInner = TreePaths.outer(path).getLeaf().getKind() == Tree.Kind.LOGICAL_COMPLEMENT;
        if (isDirect && !isInner && Opposite.isPlain(context.code(), condition)) {
            context.report(path.getLeaf(), "this can be said without '!'",
                    Fix.of("say it directly", edits -> Opposite.write(edits, path, condition)));
        }
    }
}
