package dev.deftchisel.rule.condition;

import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/** {@code condition ? true : false} (JLS 15.25.1). */
public final class BooleanChoice implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("boolean-choice", Tag.REDUNDANT, "A condition is turned into true or false",
                Effect.SAME_BEHAVIOUR)
                .because("It is one of them already.")
                .example("""
                        class Berth {
                            boolean isFree(Object vessel, int depth) {
                                return (vessel == null ? true : false) || (depth > 3 && vessel != this ? false : true);
                            }
                        }
                        """, """
                        class Berth {
                            boolean isFree(Object vessel, int depth) {
                                return (vessel == null) || (depth <= 3 || vessel == this);
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            Boolean isFree(Object vessel, int depth) {
                                Boolean known = vessel == null ? Boolean.TRUE : Boolean.FALSE;
                                return depth > 3 ? true : null;
                            }

                            Boolean isKnown(Boolean known) {
                                return known ? true : false;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CONDITIONAL_EXPRESSION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        ConditionalExpressionTree tree = (ConditionalExpressionTree) path.getLeaf();
        boolean isBoth = tree.getTrueExpression() instanceof LiteralTree one && one.getValue() instanceof Boolean first
                && tree.getFalseExpression() instanceof LiteralTree other && other.getValue() instanceof Boolean second
                && !first.equals(second);
        if (isBoth) {
            TreePath condition = TreePaths.inner(new TreePath(path, tree.getCondition()));
            boolean isSame = (Boolean) ((LiteralTree) tree.getTrueExpression()).getValue();
            if (context.code().type(condition).filter(type -> type.getKind() == TypeKind.BOOLEAN).isEmpty()) {
                // what is asked of a box fails when it is null; the box itself may be passed on
                return;
            }
            context.report(tree, "the condition itself says this", isSame
                    ? Fix.of("write the condition alone", edits -> edits.keep(path,
                            (ExpressionTree) condition.getLeaf()))
                    : Fix.of("write the opposite of the condition", edits -> Opposite.write(edits, path, condition)));
        }
    }
}
