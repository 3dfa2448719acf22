package harbour.reports;

import static org.junit.jupiter.api.Assertions.assertTrue;

import harbour.office.HarbourOffice;
import harbour.vessels.Ferry;
import harbour.vessels.Metres;
import harbour.vessels.Vessel;
import java.time.LocalTime;
import java.util.List;
import org.junit.jupiter.api.Test;

class DayReportTest {

    @Test
    void everyBerthHasALine() {
        String text = new HarbourOffice().day(
                List.of(new Vessel("Gull", new Ferry(400, 120), Metres.of(60), Metres.of(4))), LocalTime.NOON);
        assertTrue(text.contains("berth 1          Gull"), text);
        assertTrue(text.contains("berth 2          free"), text);
    }
}
