package harbour.berths;

import harbour.tides.TideWindow;
import harbour.vessels.Metres;
import harbour.vessels.Vessel;
import java.util.Optional;

/** A place at the quay for one ship. */
public class Berth {

    private final int number;
    private final Metres length;
    private final Metres depth;
    private Vessel occupant;

    public Berth(int number, Metres length, Metres depth) {
        this.number = number;
        this.length = length;
        this.depth = depth;
    }

    public int number() {
        return number;
    }

    public Metres depth() {
        return depth;
    }

    /** Whether the ship is short enough for this berth. */
    public boolean fits(Vessel vessel) {
        return vessel.length().compareTo(length) <= 0;
    }

    /**
     * Lets a ship lie here.
     *
     * @param vessel the ship
     * @throws MooringException when the berth is taken, or the ship does not fit
     */
    public void moor(Vessel vessel) {
        if (occupant != null) {
            throw new MooringException("berth " + number + " is taken by " + occupant.name());
        }
        if (!fits(vessel)) {
            throw new MooringException(vessel.name() + " is too long for berth " + number);
        }
        occupant = vessel;
    }

    /** Lets a deep ship in while the water is high. See {@link #moor(Vessel)}. */
    public void moor(Vessel vessel, TideWindow window) {
        if (vessel.needsTide(depth) && !window.isOpen()) {
            throw new MooringException(vessel.name() + " has to wait for the tide");
        }
        moor(vessel);
    }

    public Optional<Vessel> occupant() {
        return Optional.ofNullable(occupant);
    }

    public void release() {
        occupant = null;
    }
}
