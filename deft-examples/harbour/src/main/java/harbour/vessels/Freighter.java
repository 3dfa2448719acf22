package harbour.vessels;

public record Freighter(int tonnage, Cargo cargo) implements VesselKind {
}
