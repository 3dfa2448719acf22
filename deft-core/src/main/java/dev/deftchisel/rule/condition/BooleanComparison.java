package dev.deftchisel.rule.condition;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/** A condition that is compared with {@code true} or {@code false} (JLS 15.21.2). */
public final class BooleanComparison implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("boolean-comparison", Tag.REDUNDANT, "A condition is compared with true or false",
                Effect.SAME_BEHAVIOUR)
                .because("The condition itself, or its opposite, says it; and one '=' too few would go unnoticed.")
                .example("""
                        class Berth {
                            boolean isFree(boolean isTaken, boolean isOpen) {
                                return isTaken == false && isOpen == true || true != (isOpen || isTaken);
                            }
                        }
                        """, """
                        class Berth {
                            boolean isFree(boolean isTaken, boolean isOpen) {
                                return !isTaken && isOpen || !isOpen && !isTaken;
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            boolean isFree(Boolean isTaken, Object isOpen) {
                                return isTaken == null || Boolean.FALSE == isOpen;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree tree = (BinaryTree) path.getLeaf();
        look(path, tree.getLeftOperand(), tree.getRightOperand(), context);
        look(path, tree.getRightOperand(), tree.getLeftOperand(), context);
    }

    private static void look(TreePath path, ExpressionTree condition, ExpressionTree other, RuleContext context) {
        TreePath tested = new TreePath(path, condition);
        boolean isCondition = other instanceof LiteralTree literal && literal.getValue() instanceof Boolean
                && !(condition instanceof LiteralTree)
                && context.code().type(tested).filter(type -> type.getKind() == TypeKind.BOOLEAN).isPresent();
        if (isCondition) {
            boolean isSame = (path.getLeaf().getKind() == Tree.Kind.EQUAL_TO) == (Boolean) ((LiteralTree) other)
                    .getValue();
            context.report(path.getLeaf(), "the condition itself says this", isSame
                    ? Fix.of("write the condition alone", edits -> edits.keep(path, condition))
                    : Fix.of("write the opposite of the condition", edits -> Opposite.write(edits, path, tested)));
        }
    }
}
