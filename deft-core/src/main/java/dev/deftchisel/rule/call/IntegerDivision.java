package dev.deftchisel.rule.call;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Precedence;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** A division of whole numbers whose result is used as a floating point number (JLS 15.17.2). */
public final class IntegerDivision implements Rule {

    private static final Pattern MEASURE = Pattern
            .compile("(?i)(^|[.\\-_]|get|[a-z](?=[A-Z]))(width|height|size|length|w|h|x|y)(\\(\\))?$");
    private static final Pattern ROUNDING = Pattern.compile("round|ceil|floor|rint");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("integer-division", Tag.SUSPICIOUS,
                "Whole numbers are divided where a fraction is wanted", Effect.OTHER)
                .because("The fraction is cut off before the result becomes a floating point number.")
                .example("""
                        class Dues {
                            double share(int due, int vessels) {
                                double share = due / vessels;
                                return share;
                            }
                        }
                        """, """
                        class Dues {
                            double share(int due, int vessels) {
                                double share = (double) due / vessels;
                                return share;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            double share(int due, int vessels, double rate) {
                                double half = 6 / 2;
                                int whole = due / vessels;
                                double floor = (int) (due / vessels);
                                return due / rate + whole + half;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.DIVIDE);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree division = (BinaryTree) path.getLeaf();
        AttributedFile code = context.code();
        // who rounds down what is already rounded wants just that
        boolean isFloor = Calls.isOf(code, TreePaths.outer(path), "java.lang.Math", "floor", 1);
        if (!isWhole(path, code) || isEven(path, division, code) || isFloor || isSaid(path, code)
                || isScaled(path, division) || isHalfOfWhole(path, division, code)
                || isOfForeignCall(path, context) || isLarge(path, division, code)) {
            return;
        }
        Optional<TypeKind> wanted = wanted(path, code);
        if (wanted.isPresent()) {
            String type = wanted.get() == TypeKind.FLOAT ? "float" : "double";
            ExpressionTree left = division.getLeftOperand();
            boolean isGrouped = Precedence.needsParenthesesInCast(left);
            context.report(division, "the fraction of this division is lost",
                    Fix.of("divide as " + type, edits -> edits.replace(left,
                    to -> to.write("(" + type + ") ").write(isGrouped ? "(" : "").carry(code.range(left))
                    .write(isGrouped ? ")" : ""))));
        }
    }

    /**
     * {@code (cell / rows) / (double) all}: who casts one part and puts the other in parentheses knows where the
     * fraction begins.
     */
    private static boolean isSaid(TreePath path, AttributedFile code) {
        return path.getParentPath().getLeaf() instanceof ParenthesizedTree && TreePaths.outer(path)
                .getLeaf() instanceof BinaryTree whole
                && TreePaths.inner(whole.getRightOperand()) instanceof TypeCastTree cast
                && Set.of("double", "float").contains(code.text(cast.getType()));
    }

    /**
     * {@code width * 1000 / units}: who multiplies first works with whole numbers on purpose, unless the result is
     * rounded.
     */
    private static boolean isScaled(TreePath path, BinaryTree division) {
        boolean isRounded = TreePaths.outer(path).getLeaf() instanceof MethodInvocationTree call
                && ROUNDING.matcher(Calls.name(call)).matches();
        return !isRounded && TreePaths.inner(division.getLeftOperand()) instanceof BinaryTree product
                && product.getKind() == Tree.Kind.MULTIPLY
                && (product.getLeftOperand() instanceof LiteralTree || product.getRightOperand() instanceof LiteralTree)
                && !(TreePaths.inner(division.getRightOperand()) instanceof LiteralTree);
    }

    /** {@code x - width / 2}: half a unit more or less of a length in whole ones does not matter. */
    private static boolean isHalfOfWhole(TreePath path, BinaryTree division, AttributedFile code) {
        TreePath at = TreePaths.outer(path);
        // what is measured in pixels or units is divided in such
        boolean isRandom = at.getLeaf() instanceof BinaryTree product && product.getKind() == Tree.Kind.MULTIPLY
                && code.text(product).contains("andom");
        if (isRandom) {
            return true;
        }
        boolean isMeasure = TreePaths.inner(division.getRightOperand()) instanceof LiteralTree
                && MEASURE.matcher(code.text(TreePaths.inner(division.getLeftOperand()))).find();
        return isMeasure || at.getLeaf() instanceof BinaryTree sum
                && (sum.getKind() == Tree.Kind.PLUS || sum.getKind() == Tree.Kind.MINUS)
                && code.type(at).filter(type -> type.getKind().isPrimitive()).isPresent()
                && TreePaths.inner(division.getRightOperand()) instanceof LiteralTree two
                && Integer.valueOf(2).equals(two.getValue());
    }

    /**
     * Whether the parameter that makes a fraction of it belongs to a method of another file, which need not have
     * thought of one.
     */
    private static boolean isOfForeignCall(TreePath path, RuleContext context) {
        TreePath call = TreePaths.outer(path);
        return call.getLeaf() instanceof MethodInvocationTree && context.code().element(call)
                .filter(method -> context.names().declaration(method).isPresent()
                || NamedTypes.isOneOf(method.getEnclosingElement()
                        .asType(), Set.of("java.lang.Math", "java.lang.StrictMath"))).isEmpty();
    }

    /** Whether a fraction is nothing beside what is known of the number. */
    private static boolean isLarge(TreePath path, BinaryTree division, AttributedFile code) {
        return Constants.value(code, new TreePath(path, division.getLeftOperand()))
                .filter(value -> value instanceof Number number
                && Math.abs(number.doubleValue()) > Integer.MAX_VALUE).isPresent();
    }

    private static boolean isWhole(TreePath path, AttributedFile code) {
        return code.type(path).filter(type -> type.getKind() == TypeKind.INT || type.getKind() == TypeKind.LONG)
                .isPresent();
    }

    /** Whether the values are known, and nothing is lost. */
    private static boolean isEven(TreePath path, BinaryTree division, AttributedFile code) {
        Optional<Object> left = Constants.value(code, new TreePath(path, division.getLeftOperand()));
        Optional<Object> right = Constants.value(code, new TreePath(path, division.getRightOperand()));
        return left.isPresent() && right.isPresent() && left.get() instanceof Number one
                && right.get() instanceof Number other
                && other.longValue() != 0 && one.longValue() % other.longValue() == 0
                || right.filter(value -> value instanceof Number half && half.longValue() == 2).isPresent()
                && TreePaths.inner(division.getLeftOperand()) instanceof BinaryTree product
                && isOfNeighbours(product, code);
    }

    /** Whether a number is multiplied with the one before or after it, of which one is even. */
    private static boolean isOfNeighbours(BinaryTree product, AttributedFile code) {
        ExpressionTree left = plain(product.getLeftOperand());
        ExpressionTree right = plain(product.getRightOperand());
        return product.getKind() == Tree.Kind.MULTIPLY
                && (isNeighbour(left, right, code) || isNeighbour(right, left, code));
    }

    private static boolean isNeighbour(ExpressionTree one, ExpressionTree other, AttributedFile code) {
        return other instanceof BinaryTree sum && (sum.getKind() == Tree.Kind.PLUS || sum.getKind() == Tree.Kind.MINUS)
                && code.reads(sum.getRightOperand()).equals("1") && code.reads(plain(sum.getLeftOperand()))
                .equals(code.reads(one));
    }

    private static ExpressionTree plain(ExpressionTree tree) {
        ExpressionTree inner = TreePaths.inner(tree);
        return inner instanceof TypeCastTree cast ? plain(cast.getExpression()) : inner;
    }

    /** The floating type that the place of the result turns it into by itself. */
    private static Optional<TypeKind> wanted(TreePath path, AttributedFile code) {
        TreePath parent = TreePaths.outer(path);
        Optional<TypeMirror> type = parent.getLeaf() instanceof BinaryTree sum && isArithmetic(sum) ? code.type(parent)
                : TargetType.ofConversion(path, code);
        return type.map(TypeMirror::getKind).filter(kind -> kind == TypeKind.DOUBLE || kind == TypeKind.FLOAT);
    }

    private static boolean isArithmetic(BinaryTree tree) {
        return switch (tree.getKind()) {
            case PLUS, MINUS, MULTIPLY, DIVIDE -> true;
            default -> false;
        };
    }
}
