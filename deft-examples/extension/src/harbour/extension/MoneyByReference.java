package harbour.extension;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/** Sums of money that are compared by {@code ==} (JLS 15.21.3). */
public final class MoneyByReference implements Rule {

    private static final String MONEY = "harbour.dues.Money";

    @Override
    public RuleDescription about() {
        return RuleDescription.of("money-by-reference", Tag.SUSPICIOUS, "Sums of money are compared by reference",
                Effect.OTHER)
                .because("Two objects can hold the same sum; only equals compares what they hold.")
                .example("""
                        package harbour.dues;

                        record Money(long cents) {
                            boolean isPaidBy(Money sum) {
                                return this == sum;
                            }
                        }
                        """, """
                        package harbour.dues;

                        record Money(long cents) {
                            boolean isPaidBy(Money sum) {
                                return this.equals(sum);
                            }
                        }
                        """)
                .silentOn("""
                        package harbour.dues;

                        record Money(long cents) {
                            boolean isPaidBy(Money sum) {
                                return sum != null && equals(sum);
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.EQUAL_TO);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree comparison = (BinaryTree) path.getLeaf();
        if (isMoney(path, comparison.getLeftOperand(), context)
                && isMoney(path, comparison.getRightOperand(), context)) {
            AttributedFile code = context.code();
            context.report(comparison, "'==' compares two sums of money by reference",
                    Fix.of("compare with 'equals'", edits -> edits.replace(comparison, to -> to
                            .carry(code.range(comparison.getLeftOperand())).write(".equals(")
                            .carry(code.range(comparison.getRightOperand())).write(")"))));
        }
    }

    private static boolean isMoney(TreePath path, ExpressionTree operand, RuleContext context) {
        return context.code().type(new TreePath(path, operand)).filter(type -> NamedTypes.is(type, MONEY)).isPresent();
    }
}
