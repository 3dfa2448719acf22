package dev.deftchisel.rule.equality;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;

/** The result of a comparison taken for 1 or -1 (Comparable, Comparator). */
public final class ComparisonResult implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("comparison-result", Tag.SUSPICIOUS,
                "The result of an order is compared with 1 or -1", Effect.OTHER)
                .because("Only its sign is promised; it may be any number of that sign.")
                .example("""
                        class Berth {
                            boolean isBefore(String name, String other) {
                                return name.compareTo(other) == -1 || other.compareTo(name) == 1;
                            }
                        }
                        """, """
                        class Berth {
                            boolean isBefore(String name, String other) {
                                return name.compareTo(other) < 0 || other.compareTo(name) > 0;
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            boolean isSame(String name, String other) {
                                return name.compareTo(other) == 0 || name.indexOf(other) == -1;
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
        BinaryTree comparison = (BinaryTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath order = TreePaths.inner(new TreePath(path, comparison.getLeftOperand()));
        Optional<Object> value = Constants.value(code, new TreePath(path, comparison.getRightOperand()));
        boolean isOrder = Calls.isOf(code, order, "java.lang.Comparable", "compareTo", 1)
                || Calls.isOf(code, order, "java.util.Comparator", "compare", 2);
        if (!isOrder || isPromised(order, code) || value.filter(number -> number.equals(1) || number.equals(-1))
                .isEmpty()) {
            return;
        }
        boolean isMore = value.get().equals(1);
        boolean isSame = comparison.getKind() == Tree.Kind.EQUAL_TO;
        String sign;
        if (isMore) {
            sign = isSame ? "> 0" : "<= 0";
        } else if (isSame) {
            sign = "< 0";
        } else {
            sign = ">= 0";
        }
        context.report(comparison, "only the sign of this is promised",
                Fix.of("write '" + sign + "'", edits -> edits.replace(
                new Range(code.range(comparison.getLeftOperand()).end(), code.range(comparison).end()), " " + sign)));
    }

    /** Whether the documentation of the platform promises -1, 0 or 1. */
    private static boolean isPromised(TreePath order, AttributedFile code) {
        return Calls.method(code, order).filter(method -> NamedTypes.isOneOf(method.getEnclosingElement().asType(),
                Set.of("java.math.BigInteger", "java.math.BigDecimal"))).isPresent();
    }
}
