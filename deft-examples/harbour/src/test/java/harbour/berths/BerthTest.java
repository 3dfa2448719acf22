package harbour.berths;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import harbour.tides.TideWindow;
import harbour.vessels.Cargo;
import harbour.vessels.Freighter;
import harbour.vessels.Metres;
import harbour.vessels.Vessel;
import java.time.Duration;
import java.time.LocalTime;
import org.junit.jupiter.api.Test;

class BerthTest {

    private final Berth berth = new Berth(1, Metres.of(80), Metres.of(6));
    private final Vessel anna = new Vessel("Anna", new Freighter(900, Cargo.TIMBER), Metres.of(76), Metres.of(7));

    @Test
    void aShipLiesWhereItMoored() {
        berth.moor(anna);
        assertEquals("Anna", berth.occupant().orElseThrow().name());
        assertThrows(MooringException.class, () -> berth.moor(anna));
        berth.release();
        assertTrue(berth.occupant().isEmpty());
    }

    @Test
    void aDeepShipWaitsForTheTide() {
        TideWindow window = new TideWindow(LocalTime.of(6, 0), Duration.ofHours(2), LocalTime.NOON);
        assertThrows(MooringException.class, () -> berth.moor(anna, window));
        berth.moor(anna, window.at(LocalTime.of(7, 0)));
    }
}
