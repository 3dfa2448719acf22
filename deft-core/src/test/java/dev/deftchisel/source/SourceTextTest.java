package dev.deftchisel.source;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

class SourceTextTest {

    @Test
    void aByteOrderMarkIsKeptApartAndGivenBack() {
        byte[] bytes = "\uFEFFclass A { }\r\n".getBytes(StandardCharsets.UTF_8);
        SourceText text = SourceText.decode(bytes, StandardCharsets.UTF_8);
        assertTrue(text.mark());
        assertEquals("class A { }\r\n", text.content());
        assertArrayEquals(bytes, text.bytes());
    }

    @Test
    void malformedBytesAreReadButNotFaithful() {
        SourceText text = SourceText.decode(new byte[] {'a', (byte) 0xFC, 'b'}, StandardCharsets.UTF_8);
        assertFalse(text.isFaithful());
        assertEquals(3, text.content().length());
        assertTrue(SourceText.decode(new byte[] {'a', (byte) 0xFC}, StandardCharsets.ISO_8859_1).isFaithful());
    }

    @Test
    void whatTheCharsetCannotWriteIsFound() {
        SourceText latin = SourceText.decode("hafen".getBytes(StandardCharsets.ISO_8859_1),
                StandardCharsets.ISO_8859_1);
        assertEquals(Optional.empty(), latin.with("h\u00E4fen").unwritableOffset());
        assertEquals(Optional.of(1), latin.with("h\u20ACfen").unwritableOffset());
    }

    @Test
    void linesEndAsInTheLanguage() {
        LineMap lines = LineMap.of("a\r\nb\rc\n\uD83D\uDEA2d");
        assertEquals(4, lines.count());
        assertEquals(new Position(4, 2), lines.position(9));
        assertEquals("b", lines.text(2));
        assertEquals(OptionalInt.of(9), lines.offset(new Position(4, 2)));
        assertEquals(OptionalInt.empty(), lines.offset(new Position(1, 3)));
        assertEquals(OptionalInt.empty(), lines.offset(new Position(5, 1)));
    }

    @Test
    void wordsAreWhole() {
        assertEquals(2, Words.find("Berth Berths aBerth (Berth)", "Berth").size());
    }
}
