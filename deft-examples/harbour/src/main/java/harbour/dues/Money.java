package harbour.dues;

public record Money(long cents) implements Comparable<Money> {

    public static final Money ZERO = new Money(0);

    public Money plus(Money other) {
        return new Money(cents + other.cents);
    }

    public Money times(long factor) {
        return new Money(cents * factor);
    }

    @Override
    public int compareTo(Money other) {
        return Long.compare(cents, other.cents);
    }

    @Override
    public String toString() {
        return "%d.%02d".formatted(cents / 100, cents % 100);
    }
}
