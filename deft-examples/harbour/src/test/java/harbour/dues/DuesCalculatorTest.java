package harbour.dues;

import static org.junit.jupiter.api.Assertions.assertEquals;

import harbour.vessels.Cargo;
import harbour.vessels.Freighter;
import harbour.vessels.Metres;
import harbour.vessels.Vessel;
import org.junit.jupiter.api.Test;

class DuesCalculatorTest {

    @Test
    void dangerousCargoCostsTwice() {
        Vessel timber = new Vessel("Anna", new Freighter(100, Cargo.TIMBER), Metres.of(76), Metres.of(5));
        Vessel oil = new Vessel("Olga", new Freighter(100, Cargo.OIL), Metres.of(76), Metres.of(5));
        DuesCalculator calculator = DuesCalculator.installed();
        assertEquals("57.00", calculator.invoice(timber, 1).total().toString());
        assertEquals("69.00", calculator.invoice(oil, 1).total().toString());
    }
}
