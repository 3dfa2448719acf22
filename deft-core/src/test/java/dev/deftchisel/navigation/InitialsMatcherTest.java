package dev.deftchisel.navigation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class InitialsMatcherTest {

    @ParameterizedTest
    @CsvSource({"BP, BerthPlan", "beP, BerthPlan", "bpl, BerthPlan", "plan, BerthPlan", "ert, BerthPlan",
            "moT, MAX_OF_TIDES",
        "hs, HTTPServer", "h2, Height2", "'', Berth"})
    void goesWith(String typed, String name) {
        assertTrue(new InitialsMatcher(typed).match(name) > InitialsMatcher.NONE);
    }

    @ParameterizedTest
    @CsvSource({"PB, BerthPlan", "bn, BerthPlan", "berths, Berth"})
    void doesNotGoWith(String typed, String name) {
        assertEquals(InitialsMatcher.NONE, new InitialsMatcher(typed).match(name));
    }

    @Test
    void allOfANameIsBetterThanItsStartAndThatThanItsWordsAndThoseThanAPart() {
        InitialsMatcher typed = new InitialsMatcher("be");
        List<Integer> matches = List.of(typed.match("be"), typed.match("Berth"), typed.match("BigElm"),
                typed.match("abe"));
        assertEquals(matches.stream().sorted((one, other) -> Integer.compare(other, one)).distinct().toList(), matches);
    }
}
