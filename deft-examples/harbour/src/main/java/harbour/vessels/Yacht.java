package harbour.vessels;

public record Yacht(int tonnage) implements VesselKind {
}
