package harbour.tides;

public enum Tide {
    HIGH,
    LOW;

    public Tide next() {
        return switch (this) {
            case HIGH -> LOW;
            case LOW -> HIGH;
        };
    }
}
