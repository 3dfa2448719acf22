package harbour.vessels;

/** What a ship is for. */
public sealed interface VesselKind permits Freighter, Ferry, Yacht {

    /** The gross tonnage on which dues are charged. */
    int tonnage();

    default String describe() {
        if (this instanceof Freighter freighter) {
            return "freighter with " + freighter.cargo();
        }
        return this instanceof Ferry ferry ? "ferry for " + ferry.passengers() : "yacht";
    }
}
