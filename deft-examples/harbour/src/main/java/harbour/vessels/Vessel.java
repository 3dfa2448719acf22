package harbour.vessels;

/**
 * A ship.
 *
 * @param name    as painted on the bow
 * @param kind    what it carries
 * @param length  over all
 * @param draught from the water line to the keel
 */
public record Vessel(String name, VesselKind kind, Metres length, Metres draught) {

    /** Whether the ship needs the tide: its draught is more than the depth. */
    public boolean needsTide(Metres depth) {
        return draught.compareTo(depth) > 0;
    }
}
