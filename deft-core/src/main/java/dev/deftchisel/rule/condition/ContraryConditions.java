package dev.deftchisel.rule.condition;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;

/** Two comparisons of one value that cannot both hold, or of which one always does (JLS 15.23, 15.24). */
public final class ContraryConditions implements Rule {

    private static final Set<Tree.Kind> COMPARISONS = Set.of(Tree.Kind.LESS_THAN, Tree.Kind.LESS_THAN_EQUAL,
            Tree.Kind.GREATER_THAN,
            Tree.Kind.GREATER_THAN_EQUAL, Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO);

    @Override
    public RuleDescription about() {
        return RuleDescription.of("contrary-conditions", Tag.SUSPICIOUS,
                "Two conditions together are always true or always false", Effect.OTHER)
                .because("A value is compared twice, and the two comparisons leave no choice; the other operator "
                        + "between them was meant.")
                .example("""
                        class Berth {
                            boolean isOdd(int number, int draught) {
                                return number != 1 || number != 2 || draught > 3;
                            }
                        }
                        """, """
                        class Berth {
                            boolean isOdd(int number, int draught) {
                                return number != 1 && number != 2 || draught > 3;
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            boolean isFree(int number, double share) {
                                return number != 1 && number != 2 || number < 3 && number > 0 || share < 3 || share >= 3;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CONDITIONAL_AND, Tree.Kind.CONDITIONAL_OR);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        BinaryTree last = (BinaryTree) path.getLeaf();
        boolean isAnd = last.getKind() == Tree.Kind.CONDITIONAL_AND;
        List<TreePath> all = new ArrayList<>();
        collect(new TreePath(path, last.getLeftOperand()), last.getKind(), all);
        TreePath right = TreePaths.inner(new TreePath(path, last.getRightOperand()));
        for (TreePath left : all) {
            if (isDecided(left, right, isAnd, code)) {
                boolean isBeside = left == all.get(all.size() - 1) && all.size() == 1;
                context.report(last, "'" + code.shown(code.range(left.getLeaf()), 40) + (isAnd ? "' and '" : "' or '")
                        + code.shown(code.range(right.getLeaf()), 40) + "': this is always " + !isAnd, isBeside
                        && !isAnd ? fixes(last, code) : new Fix[0]);
                return;
            }
        }
    }

    /** The other operator, which binds more tightly and so needs no parentheses. */
    private static Fix[] fixes(BinaryTree tree, AttributedFile code) {
        int operator = code.tokens().code(code.tokens().at(code.range(tree.getLeftOperand()).end()));
        return new Fix[] {Fix.of("write '&&'", edits -> edits.replace(code.tokens().range(operator), "&&"))};
    }

    private static void collect(TreePath path, Tree.Kind operator, List<TreePath> found) {
        TreePath plain = TreePaths.inner(path);
        if (plain.getLeaf() instanceof BinaryTree both && both.getKind() == operator) {
            collect(new TreePath(plain, both.getLeftOperand()), operator, found);
            collect(new TreePath(plain, both.getRightOperand()), operator, found);
        } else {
            found.add(plain);
        }
    }

    private static boolean isDecided(TreePath left, TreePath right, boolean isAnd, AttributedFile code) {
        if (!(left.getLeaf() instanceof BinaryTree one) || !(right.getLeaf() instanceof BinaryTree other)
                || !code.readsSame(TreePaths.inner(one.getLeftOperand()),
                        TreePaths.inner(other.getLeftOperand()))) {
            return false;
        }
        Effects effects = code.effects(left).and(code.effects(right));
        boolean isSteady = !effects.isVisible() && !effects.isFresh()
                && code.effects(new TreePath(left, one.getLeftOperand())).isPure();
        // limits that are settled by constants switch something on and off
        boolean isSwitch = isNamed(one.getRightOperand()) && isNamed(other.getRightOperand())
                && one.getKind() != other.getKind();
        return isSteady && !isSwitch && (number(left, one, code)
                .flatMap(first -> number(right, other, code).map(second ->
                leavesNoChoice(one.getKind(), first, other.getKind(), second, isAnd))).orElse(false)
                || areUnlike(new TreePath(left, one.getRightOperand()), new TreePath(right, other.getRightOperand()),
                        code)
                        && one.getKind() == other.getKind() && one.getKind() == (isAnd ? Tree.Kind.EQUAL_TO
                                : Tree.Kind.NOT_EQUAL_TO));
    }

    private static boolean isNamed(ExpressionTree operand) {
        return operand instanceof IdentifierTree || operand instanceof MemberSelectTree;
    }

    /** The known whole number that a whole number is compared with. */
    private static Optional<Long> number(TreePath path, BinaryTree comparison, AttributedFile code) {
        boolean isWhole = COMPARISONS.contains(comparison.getKind())
                && code.type(new TreePath(path, comparison.getLeftOperand())).filter(type -> switch (type.getKind()) {
            case BYTE, SHORT, CHAR, INT, LONG -> true;
            default -> false;
        }).isPresent();
        return Constants.value(code, new TreePath(path, comparison.getRightOperand())).filter(value -> isWhole)
                .flatMap(value -> value instanceof Character c ? Optional.of((long) c)
                        : value instanceof Integer || value instanceof Long ? Optional.of(((Number) value).longValue())
                        : Optional.empty());
    }

    /** Tried with every number beside the two: between those nothing changes. */
    private static boolean leavesNoChoice(Tree.Kind one, long first, Tree.Kind other, long second, boolean isAnd) {
        long low = Math.min(first, second);
        long high = Math.max(first, second);
        List<Long> samples = List.of(low == Long.MIN_VALUE ? low : low - 1, low, low == high ? low
                : low + 1, high, high == Long.MAX_VALUE ? high : high + 1);
        return samples.stream().allMatch(value -> isAnd
                ? !(holds(one, value, first) && holds(other, value, second)) : holds(one, value, first)
                || holds(other, value, second));
    }

    private static boolean holds(Tree.Kind kind, long value, long limit) {
        return switch (kind) {
            case LESS_THAN -> value < limit;
            case LESS_THAN_EQUAL -> value <= limit;
            case GREATER_THAN -> value > limit;
            case GREATER_THAN_EQUAL -> value >= limit;
            case EQUAL_TO -> value == limit;
            default -> value != limit;
        };
    }

    /** Two constants of an enum that are not the same. */
    private static boolean areUnlike(TreePath one, TreePath other, AttributedFile code) {
        return code.element(one).filter(element -> element.getKind() == ElementKind.ENUM_CONSTANT)
                .flatMap(first -> code.element(other).filter(second -> second.getKind() == ElementKind.ENUM_CONSTANT
                        && !second.equals(first)))
                .isPresent();
    }
}
