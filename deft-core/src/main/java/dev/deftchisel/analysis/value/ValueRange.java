package dev.deftchisel.analysis.value;

import java.util.Optional;
import javax.lang.model.type.TypeKind;

/**
 * An interval of whole numbers, which holds at least every value that an expression can have.
 *
 * @param low  the lowest of them, inclusive
 * @param high the highest, inclusive, at least {@code low}
 */
public record ValueRange(long low, long high) {

    /** What an {@code int} can hold (JLS 4.2.1). */
    public static final ValueRange INT = new ValueRange(Integer.MIN_VALUE, Integer.MAX_VALUE);
    /** How much there can be of something. */
    public static final ValueRange COUNT = new ValueRange(0, Integer.MAX_VALUE);

    /**
     * Checks the order.
     *
     * @throws IllegalArgumentException when the lowest value is above the highest
     */
    public ValueRange {
        if (low > high) {
            throw new IllegalArgumentException("the lowest value is " + low + ", above the highest, " + high);
        }
    }

    /** One value. */
    public static ValueRange of(long value) {
        return new ValueRange(value, value);
    }

    /** All values of a primitive type of whole numbers (JLS 4.2.1); empty for any other. */
    public static Optional<ValueRange> of(TypeKind type) {
        return switch (type) {
            case BYTE -> Optional.of(new ValueRange(Byte.MIN_VALUE, Byte.MAX_VALUE));
            case SHORT -> Optional.of(new ValueRange(Short.MIN_VALUE, Short.MAX_VALUE));
            case CHAR -> Optional.of(new ValueRange(Character.MIN_VALUE, Character.MAX_VALUE));
            case INT -> Optional.of(INT);
            case LONG -> Optional.of(new ValueRange(Long.MIN_VALUE, Long.MAX_VALUE));
            default -> Optional.empty();
        };
    }

    /** Whether each of its values is one of another. */
    public boolean isWithin(ValueRange other) {
        return other.low <= low && high <= other.high;
    }

    /** Whether no value is negative. */
    public boolean isNatural() {
        return low >= 0;
    }

    /** The values of both, and what lies between. */
    public ValueRange or(ValueRange other) {
        return new ValueRange(Math.min(low, other.low), Math.max(high, other.high));
    }

    /** The differences between its values and those of another; empty where a {@code long} cannot hold them. */
    public Optional<ValueRange> minus(ValueRange other) {
        try {
            return Optional.of(new ValueRange(Math.subtractExact(low, other.high),
                    Math.subtractExact(high, other.low)));
        } catch (ArithmeticException tooLarge) {
            return Optional.empty();
        }
    }

    /** The sums of its values and those of another; empty where a {@code long} cannot hold them. */
    public Optional<ValueRange> plus(ValueRange other) {
        try {
            return Optional.of(new ValueRange(Math.addExact(low, other.low), Math.addExact(high, other.high)));
        } catch (ArithmeticException tooLarge) {
            return Optional.empty();
        }
    }

    /** The products of its values and those of another; empty where a {@code long} cannot hold them. */
    public Optional<ValueRange> times(ValueRange other) {
        try {
            return Optional.of(of(Math.multiplyExact(low, other.low)).or(of(Math.multiplyExact(low, other.high)))
                    .or(of(Math.multiplyExact(high, other.low))).or(of(Math.multiplyExact(high, other.high))));
        } catch (ArithmeticException tooLarge) {
            return Optional.empty();
        }
    }
}
