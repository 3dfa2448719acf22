package harbour.tides;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import java.time.LocalTime;
import org.junit.jupiter.api.Test;

class TideTableTest {

    @Test
    void theNextWindowOpensBeforeHighWater() {
        TideTable table = new TideTable().high(LocalTime.of(6, 30)).low(LocalTime.of(12, 40)).high(LocalTime.of(18, 50));
        TideWindow window = table.window(LocalTime.NOON).orElseThrow();
        assertEquals(LocalTime.of(17, 50), window.opens());
        assertFalse(window.isOpen());
        assertEquals(Tide.LOW, Tide.HIGH.next());
    }
}
