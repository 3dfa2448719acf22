package harbour.berths;

import static org.junit.jupiter.api.Assertions.assertEquals;

import harbour.office.Log;
import harbour.vessels.Metres;
import harbour.vessels.Vessel;
import harbour.vessels.Yacht;
import java.util.List;
import org.junit.jupiter.api.Test;

class BerthPlanTest {

    @Test
    void theLongestShipGetsItsBerthFirst() {
        Quay quay = new Quay("South");
        quay.add(new Berth(1, Metres.of(30), Metres.of(3)));
        Log log = new Log();
        Vessel small = new Vessel("Tern", new Yacht(12), Metres.of(11), Metres.of(2));
        Vessel large = new Vessel("Skua", new Yacht(30), Metres.of(28), Metres.of(2));
        assertEquals(1, new BerthPlan(quay, log).assign(List.of(small, large)));
        assertEquals("Skua", quay.iterator().next().occupant().orElseThrow().name());
        assertEquals(1, log.lines().stream().filter(line -> line.startsWith("WARN")).count());
    }
}
