package harbour.vessels;

public record Ferry(int tonnage, int passengers) implements VesselKind {
}
