package dev.deftchisel.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How much names are alike, and which of several was meant. */
class SpellingTest {

    @ParameterizedTest
    @CsvSource({
        "berth, berth, 0",
        "berth, birth, 1",
        "berth, bert, 1",
        "berth, berths, 1",
        "berth, breth, 1",
        "berth, tide, 5",
        "'', tide, 4"
    })
    void countsSlips(String one, String other, int slips) {
        assertEquals(slips, Spelling.slips(one, other));
        assertEquals(slips, Spelling.slips(other, one));
    }

    @Test
    void theMostAlikeComesFirstAndOtherCaseIsNoSlip() {
        assertEquals(List.of("Length", "length"), Spelling.near("LENGTH", List.of("lengths", "length", "Length")));
        assertEquals(List.of("moorings", "mooring"), Spelling.near("moorigns", List.of("mooring", "moorings", "tide")));
    }

    @Test
    void whatNeedsTooManySlipsWasNotMeant() {
        assertEquals(List.of(), Spelling.near("due", List.of("berth", "x", "due", "")));
        assertEquals(List.of("dues"), Spelling.near("due", List.of("dues", "duties")));
    }
}
