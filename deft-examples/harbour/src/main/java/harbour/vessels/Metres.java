package harbour.vessels;

/** A length. */
public record Metres(double value) implements Comparable<Metres> {

    public Metres {
        if (value < 0) {
            throw new IllegalArgumentException("a length cannot be negative: " + value);
        }
    }

    public static Metres of(double value) {
        return new Metres(value);
    }

    public Metres plus(Metres other) {
        return of(value + other.value);
    }

    @Override
    public int compareTo(Metres other) {
        return Double.compare(value, other.value);
    }
}
