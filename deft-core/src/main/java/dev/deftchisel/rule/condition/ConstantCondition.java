package dev.deftchisel.rule.condition;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.analysis.value.ValueRange;
import dev.deftchisel.analysis.value.ValueRanges;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;

/** Conditions whose value can be told from the code alone (JLS 15.29). */
public final class ConstantCondition implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("constant-condition", Tag.SUSPICIOUS, "A condition is always true or always false",
                Effect.OTHER)
                .because("One branch is never taken; a value or an operator is probably not the one that was meant.")
                .example("""
                        class Dues {
                            int due(String name) {
                                final int limit = 3;
                                if (limit > 5) {
                                    return 400;
                                }
                                return name.length() < 0 ? 2 : 1;
                            }
                        }
                        """, """
                        class Dues {
                            int due(String name) {
                                final int limit = 3;
                                if (false) {
                                    return 400;
                                }
                                return 1;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            static final boolean TRACE = false;

                            int due(String name) {
                                while (true) {
                                    if (TRACE || name.length() > 0) {
                                        return 1;
                                    }
                                    if (TRACE) {
                                        System.out.println();
                                    }
                                }
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.LESS_THAN, Tree.Kind.LESS_THAN_EQUAL, Tree.Kind.GREATER_THAN,
                Tree.Kind.GREATER_THAN_EQUAL,
                Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree comparison = (BinaryTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath left = new TreePath(path, comparison.getLeftOperand());
        TreePath right = new TreePath(path, comparison.getRightOperand());
        Optional<Object> value = Constants.value(code, path).filter(known -> known instanceof Boolean);
        if (value.isPresent()) {
            if (!namesConstant(path, code)) {
                report(path, (Boolean) value.get(), why(path, code), context);
            }
            return;
        }
        Optional<Boolean> masked = Mask.comparison(path, comparison, code);
        if (masked.isPresent()) {
            report(path, masked.get(), "the mask leaves other bits", context);
            return;
        }
        if (!namesSwitch(path, code) && !isLimitOfType(path, left, right, code)) {
            ValueRanges.of(code, left).flatMap(one -> ValueRanges.of(code, right)
                    .flatMap(other -> compared(comparison.getKind(), one, other)))
                    .ifPresent(known -> report(path, known, reason(left, right, code), context));
        }
    }

    /**
     * Whether a part of a longer test, or of a chain of them, compares with the first or last value of the type: that
     * is written for symmetry.
     */
    private static boolean isLimitOfType(TreePath path, TreePath left, TreePath right, AttributedFile code) {
        TreePath place = TreePaths.outer(path);
        Tree.Kind around = place.getLeaf().getKind();
        boolean isLastOfChain = place.getLeaf() instanceof IfTree last && place.getParentPath()
                .getLeaf() instanceof IfTree before
                && before.getElseStatement() == last;
        return (isLastOfChain || around == Tree.Kind.CONDITIONAL_AND || around == Tree.Kind.CONDITIONAL_OR)
                && (isLimit(left, right, code) || isLimit(right, left, code));
    }

    private static boolean isLimit(TreePath limit, TreePath value, AttributedFile code) {
        return Constants.value(code, limit).isPresent() && ValueRanges.of(code, value)
                .filter(type -> ValueRanges.of(code, limit)
                        .filter(number -> number.low() == type.low() || number.low() == type.high()).isPresent())
                .isPresent();
    }

    /** What a comparison of values from two intervals gives; empty where that depends on the values. */
    private static Optional<Boolean> compared(Tree.Kind kind, ValueRange left, ValueRange right) {
        return switch (kind) {
            case LESS_THAN -> decided(left.high() < right.low(), left.low() >= right.high());
            case LESS_THAN_EQUAL -> decided(left.high() <= right.low(), left.low() > right.high());
            case GREATER_THAN -> decided(left.low() > right.high(), left.high() <= right.low());
            case GREATER_THAN_EQUAL -> decided(left.low() >= right.high(), left.high() < right.low());
            case EQUAL_TO -> decided(false, left.high() < right.low() || left.low() > right.high());
            default -> decided(left.high() < right.low() || left.low() > right.high(), false);
        };
    }

    private static Optional<Boolean> decided(boolean isTrue, boolean isFalse) {
        if (isTrue) {
            return Optional.of(true);
        }
        return isFalse ? Optional.of(false) : Optional.empty();
    }

    private static String reason(TreePath left, TreePath right, AttributedFile code) {
        boolean isLeftKnown = Constants.value(code, left).isPresent();
        TreePath open = isLeftKnown ? right : left;
        ValueRange range = ValueRanges.of(code, open).orElseThrow();
        String name = "'" + code.shown(code.range(open.getLeaf()), 30) + "'";
        if (range.equals(ValueRange.COUNT)) {
            return "a size is never negative";
        }
        if (range.equals(ValueRange.INT)) {
            return name + " is an int, which cannot be that";
        }
        return name + " is " + (range.high() == Integer.MAX_VALUE ? range.low() + " or more"
                : range.low() == Integer.MIN_VALUE ? range.high() + " or less"
                : "from " + range.low() + " to " + range.high());
    }

    /**
     * Whether a named constant is 0, or true or false: such are there to be changed, and to leave code out (JLS 14.22).
     */
    private static boolean namesSwitch(TreePath path, AttributedFile code) {
        return code.expressions(path).stream().anyMatch(part -> code.element(part)
                .filter(element -> element.getKind() == ElementKind.FIELD).isPresent()
                && Constants.value(code, part).filter(value -> value.equals(0) || value instanceof Boolean)
                .isPresent());
    }

    private static void report(TreePath path, boolean value, String why, RuleContext context) {
        TreePath parent = TreePaths.outer(path);
        AttributedFile code = context.code();
        boolean isChoice = parent.getLeaf() instanceof ConditionalExpressionTree choice
                && TreePaths.inner(choice.getCondition()) == path.getLeaf() && code.effects(path)
                .failure() != Effects.Failure.ANY
                && !code.effects(path).isVisible();
        String sentence = "this is always " + value + (why.isEmpty() ? "" : ": " + why);
        if (isChoice) {
            ConditionalExpressionTree choice = (ConditionalExpressionTree) parent.getLeaf();
            context.report(path.getLeaf(), sentence, Fix.of("keep the branch that is taken",
                    edits -> edits.keep(parent, value ? choice.getTrueExpression() : choice.getFalseExpression())));
        } else {
            context.report(path.getLeaf(), sentence, Fix.of("write " + value,
                    edits -> edits.replace(code.range(path.getLeaf()), String.valueOf(value))));
        }
    }

    /** Named constants of a class are there to be changed, and to leave code out (JLS 14.22). */
    private static boolean namesConstant(TreePath path, AttributedFile code) {
        return code.expressions(path).stream().anyMatch(part -> code.element(part)
                .filter(element -> element.getKind() == ElementKind.FIELD).isPresent());
    }

    private static String why(TreePath path, AttributedFile code) {
        return code.expressions(path).stream()
                .filter(part -> part.getLeaf() instanceof IdentifierTree)
                .flatMap(part -> Constants.value(code, part).map(value -> part.getLeaf() + " is " + value).stream())
                .distinct()
                .collect(Collectors.joining(", "));
    }
}
