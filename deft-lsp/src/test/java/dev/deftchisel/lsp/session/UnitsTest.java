package dev.deftchisel.lsp.session;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.source.Range;
import java.util.List;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.TextDocumentContentChangeEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UnitsTest {

    private static final String LINE = "aé⚓𝄞b";

    @ParameterizedTest
    @CsvSource({"UTF8, 10", "UTF16, 5", "UTF32, 4"})
    void theLastCharacterOfALine(PositionEncoding units, int column) {
        assertEquals(column, units.count(LINE, LINE.indexOf('b')));
        assertEquals(LINE.indexOf('b'), units.chars(LINE, column));
        assertEquals(LINE.length(), units.chars(LINE, 99));
    }

    @Test
    void theFirstKnownOfWhatIsOfferedIsTaken() {
        assertEquals(PositionEncoding.UTF32, PositionEncoding.of(List.of("ebcdic", "utf-32", "utf-8")));
        assertEquals(PositionEncoding.UTF16, PositionEncoding.of(List.of()));
    }

    @Test
    void placesOutsideOfTheTextAreItsEnds() {
        Positions positions = Positions.of("ab\r\ncd", PositionEncoding.UTF16);
        assertEquals(2, positions.offset(new Position(0, 9)));
        assertEquals(6, positions.offset(new Position(7, 0)));
        assertEquals(0, positions.offset(new Position(-1, 0)));
        assertEquals(new Position(1, 1), positions.at(5));
        assertEquals(new Range(3 + 1, 4), positions
                .range(new org.eclipse.lsp4j.Range(new Position(1, 0), new Position(0, 0))));
    }

    @Test
    void changesAreMadeOneAfterTheOther() {
        Document document = new Document("file:///a", java.nio.file.Path.of("/a"), 1, "one\ntwo\n", "");
        Document after = document.changed(2, List.of(
                new TextDocumentContentChangeEvent(new org.eclipse.lsp4j.Range(new Position(0, 0), new Position(0, 3)),
                        "first\nthen"),
                new TextDocumentContentChangeEvent(new org.eclipse.lsp4j.Range(new Position(2, 0), new Position(2, 3)),
                        "2")), PositionEncoding.UTF16);
        assertEquals("first\nthen\n2\n", after.text());
        assertEquals("all", after.changed(3, List.of(new TextDocumentContentChangeEvent("all")), PositionEncoding.UTF16)
                .text());
    }
}
