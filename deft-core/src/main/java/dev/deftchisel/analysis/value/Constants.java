package dev.deftchisel.analysis.value;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import java.util.Optional;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * The values of constant expressions (JLS 15.29): literals, constant variables, and what operators make of them. Whole
 * numbers below {@code long} are {@link Integer}s here, as binary promotion makes them (JLS 5.6).
 */
public final class Constants {

    private Constants() {
    }

    /**
     * The value of an expression: a Boolean, Character, Integer, Long, Float, Double or String; empty when it is no
     * constant.
     */
    public static Optional<Object> value(AttributedFile code, TreePath path) {
        Tree tree = path.getLeaf();
        if (tree instanceof LiteralTree literal) {
            return Optional.ofNullable(literal.getValue());
        } else if (tree instanceof ParenthesizedTree grouped) {
            return value(code, new TreePath(path, grouped.getExpression()));
        } else if (tree instanceof UnaryTree unary) {
            return value(code, new TreePath(path, unary.getExpression()))
                    .flatMap(value -> unary(unary.getKind(), value));
        } else if (tree instanceof BinaryTree binary) {
            return value(code, new TreePath(path, binary.getLeftOperand())).flatMap(left ->
                    value(code, new TreePath(path, binary.getRightOperand()))
                            .flatMap(right -> binary(binary.getKind(), left, right)));
        } else if (tree instanceof TypeCastTree cast) {
            return code.type(path).flatMap(type -> value(code, new TreePath(path, cast.getExpression()))
                    .flatMap(value -> cast(type, value)));
        } else if (tree instanceof ConditionalExpressionTree choice) {
            return value(code, new TreePath(path, choice.getCondition()))
                    .filter(condition -> condition instanceof Boolean)
                    .flatMap(condition -> value(code, new TreePath(path,
                            (Boolean) condition ? choice.getTrueExpression() : choice.getFalseExpression())));
        }
        return code.element(path)
                .filter(element -> element instanceof VariableElement)
                .map(element -> ((VariableElement) element).getConstantValue())
                .map(Constants::promoted);
    }

    private static Object promoted(Object value) {
        return value instanceof Byte || value instanceof Short ? (Object) ((Number) value).intValue() : value;
    }

    private static Object number(Object value) {
        return value instanceof Character c ? (Object) (int) c : value;
    }

    private static Optional<Object> unary(Tree.Kind kind, Object operand) {
        Object value = number(operand);
        return switch (kind) {
            case LOGICAL_COMPLEMENT -> value instanceof Boolean bool ? Optional.of(!bool) : Optional.empty();
            case UNARY_PLUS -> value instanceof Number ? Optional.of(value) : Optional.empty();
            case UNARY_MINUS -> value instanceof Integer number ? Optional.of(-number)
                    : value instanceof Long number ? Optional.of(-number)
                    : value instanceof Float number ? Optional.of(-number)
                    : value instanceof Double number ? Optional.of(-number) : Optional.empty();
            case BITWISE_COMPLEMENT -> value instanceof Integer number ? Optional.of(~number)
                    : value instanceof Long number ? Optional.of(~number) : Optional.empty();
            default -> Optional.empty();
        };
    }

    private static Optional<Object> binary(Tree.Kind kind, Object left, Object right) {
        if (left instanceof String || right instanceof String) {
            return kind == Tree.Kind.PLUS ? Optional.of(String.valueOf(left) + right) : Optional.empty();
        }
        if (left instanceof Boolean one && right instanceof Boolean other) {
            return logical(kind, one, other);
        }
        if (!(number(left) instanceof Number one) || !(number(right) instanceof Number other)) {
            return Optional.empty();
        }
        if (kind == Tree.Kind.LEFT_SHIFT || kind == Tree.Kind.RIGHT_SHIFT || kind == Tree.Kind.UNSIGNED_RIGHT_SHIFT) {
            return shift(kind, one, other.longValue());
        }
        if (one instanceof Double || other instanceof Double || one instanceof Float || other instanceof Float) {
            return floating(kind, one.doubleValue(), other.doubleValue(),
                    !(one instanceof Double || other instanceof Double));
        }
        boolean isLong = one instanceof Long || other instanceof Long;
        return whole(kind, one.longValue(), other.longValue())
                .map(value -> value instanceof Long number && !isLong ? (Object) number.intValue() : value);
    }

    private static Optional<Object> logical(Tree.Kind kind, boolean left, boolean right) {
        return switch (kind) {
            case CONDITIONAL_AND, AND -> Optional.of(left && right);
            case CONDITIONAL_OR, OR -> Optional.of(left || right);
            case XOR, NOT_EQUAL_TO -> Optional.of(left != right);
            case EQUAL_TO -> Optional.of(left == right);
            default -> Optional.empty();
        };
    }

    private static Optional<Object> shift(Tree.Kind kind, Number value, long distance) {
        if (value instanceof Long number) {
            return Optional.of(kind == Tree.Kind.LEFT_SHIFT ? number << distance
                    : kind == Tree.Kind.RIGHT_SHIFT ? number >> distance : number >>> distance);
        }
        int number = value.intValue();
        if (value instanceof Integer) {
            return Optional.of(kind == Tree.Kind.LEFT_SHIFT ? number << distance : kind == Tree.Kind.RIGHT_SHIFT
                    ? number >> distance : number >>> distance);
        }
        return Optional.empty();
    }

    private static Optional<Object> whole(Tree.Kind kind, long left, long right) {
        return switch (kind) {
            case PLUS -> Optional.of(left + right);
            case MINUS -> Optional.of(left - right);
            case MULTIPLY -> Optional.of(left * right);
            case DIVIDE -> right == 0 ? Optional.empty() : Optional.of(left / right);
            case REMAINDER -> right == 0 ? Optional.empty() : Optional.of(left % right);
            case AND -> Optional.of(left & right);
            case OR -> Optional.of(left | right);
            case XOR -> Optional.of(left ^ right);
            default -> compared(kind, Long.compare(left, right));
        };
    }

    private static Optional<Object> compared(Tree.Kind kind, int order) {
        return switch (kind) {
            case EQUAL_TO -> Optional.of(order == 0);
            case NOT_EQUAL_TO -> Optional.of(order != 0);
            case LESS_THAN -> Optional.of(order < 0);
            case LESS_THAN_EQUAL -> Optional.of(order <= 0);
            case GREATER_THAN -> Optional.of(order > 0);
            case GREATER_THAN_EQUAL -> Optional.of(order >= 0);
            default -> Optional.empty();
        };
    }

    private static Optional<Object> floating(Tree.Kind kind, double left, double right, boolean isFloat) {
        Optional<Double> value = switch (kind) {
            case PLUS -> Optional.of(left + right);
            case MINUS -> Optional.of(left - right);
            case MULTIPLY -> Optional.of(left * right);
            case DIVIDE -> Optional.of(left / right);
            case REMAINDER -> Optional.of(left % right);
            default -> Optional.empty();
        };
        if (value.isPresent()) {
            return value.map(number -> isFloat ? (Object) number.floatValue() : number);
        }
        return switch (kind) {
            case EQUAL_TO -> Optional.of(left == right);
            case NOT_EQUAL_TO -> Optional.of(left != right);
            case LESS_THAN -> Optional.of(left < right);
            case LESS_THAN_EQUAL -> Optional.of(left <= right);
            case GREATER_THAN -> Optional.of(left > right);
            case GREATER_THAN_EQUAL -> Optional.of(left >= right);
            default -> Optional.empty();
        };
    }

    private static Optional<Object> cast(TypeMirror type, Object value) {
        if (!type.getKind().isPrimitive()) {
            return value instanceof String ? Optional.of(value) : Optional.empty();
        }
        if (type.getKind() == TypeKind.BOOLEAN || !(number(value) instanceof Number number)) {
            return type.getKind() == TypeKind.BOOLEAN && value instanceof Boolean ? Optional.of(value)
                    : Optional.empty();
        }
        boolean isFloating = number instanceof Double || number instanceof Float;
        return Optional.of(switch (type.getKind()) {
            case BYTE -> (Object) (int) (isFloating ? (byte) number.doubleValue() : (byte) number.longValue());
            case SHORT -> (int) (isFloating ? (short) number.doubleValue() : (short) number.longValue());
            case CHAR -> isFloating ? (char) number.doubleValue() : (char) number.longValue();
            case INT -> isFloating ? (int) number.doubleValue() : (int) number.longValue();
            case LONG -> isFloating ? (long) number.doubleValue() : number.longValue();
            case FLOAT -> number.floatValue();
            default -> number.doubleValue();
        });
    }
}
