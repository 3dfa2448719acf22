package dev.deftchisel.desk.terminal;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.desk.picture.Ground;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Pen;
import dev.deftchisel.desk.picture.Picture;
import dev.deftchisel.desk.picture.Style;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PainterTest {

    private static Picture picture(String first, String second, Style style) {
        Picture picture = new Picture(2, 12);
        Pen pen = new Pen(picture);
        pen.write(0, 0, first, style);
        pen.write(1, 0, second, style);
        pen.caret(1, 3);
        return picture;
    }

    private static Painter painter(Colours.Depth depth) {
        return new Painter(new Colours(depth, false));
    }

    @Test
    void onlyRowsThatChangedAreSent() {
        Painter painter = painter(Colours.Depth.NONE);
        assertTrue(painter.paint(picture("berth", "quay", Style.PLAIN)).contains("berth"));
        String sent = painter.paint(picture("berth", "tide", Style.PLAIN));
        assertFalse(sent.contains("berth"), sent);
        assertTrue(sent.contains("\u001b[2;1H"), sent);
        assertTrue(sent.endsWith("\u001b[2;4H\u001b[?25h"), "the caret is shown where it is");
        painter.forget();
        assertTrue(painter.paint(picture("berth", "tide", Style.PLAIN)).contains("berth"), "all of it again");
    }

    @Test
    void withoutColoursThereAreNone() {
        for (Ink ink : Ink.values()) {
            for (Ground ground : Ground.values()) {
                String sent = painter(Colours.Depth.NONE)
                        .paint(picture("berth", "", Style.of(ink).on(ground).strongly()));
                assertFalse(sent.matches("(?s).*\u001b\\[[\\d;]*(?:[34][0-7]|9[0-7]|38|48);?[\\d;]*m.*"),
                        ink + " " + ground + " " + sent);
            }
        }
    }

    @Test
    void colourDepthsAreKeptTo() {
        Style style = Style.of(Ink.KEYWORD);
        assertTrue(painter(Colours.Depth.TRUE).paint(picture("if", "", style)).contains("38;2;143;184;222"));
        assertTrue(painter(Colours.Depth.MANY).paint(picture("if", "", style)).contains("38;5;"));
        String few = painter(Colours.Depth.SIXTEEN).paint(picture("if", "", style));
        assertTrue(few.contains("94m") && !few.contains("38;"), few);
    }

    @ParameterizedTest
    @EnumSource(Colours.Depth.class)
    void whatIsChosenIsSeenInEveryDepth(Colours.Depth depth) {
        String plain = painter(depth).paint(picture("berth", "", Style.PLAIN));
        for (Ground ground : Ground.values()) {
            if (ground != Ground.NONE) {
                assertFalse(plain.equals(painter(depth).paint(picture("berth", "", Style.PLAIN.on(ground)))),
                        depth + " " + ground);
            }
        }
    }

    @Test
    void wideAndJoiningCharactersTakeTheirColumns() {
        Picture picture = picture("漢e\u0301x", "", Style.PLAIN);
        assertEquals("漢e\u0301x", picture.row(0));
        assertEquals("", picture.glyph(0, 1));
        assertEquals("e\u0301", picture.glyph(0, 2));
        assertEquals("x", picture.glyph(0, 3));
    }

    @Test
    void aWideCharacterThatIsHalfOverwrittenIsGone() {
        Picture picture = picture("漢漢", "", Style.PLAIN);
        new Pen(picture).write(0, 1, "x", Style.PLAIN);
        assertEquals(" x漢", picture.row(0));
    }

    @Test
    void aWideCharacterDoesNotStickOutOfTheEdge() {
        Picture picture = new Picture(1, 3);
        new Pen(picture).write(0, 0, "ab漢", Style.PLAIN);
        assertEquals("ab", picture.row(0));
    }

    @Test
    void whatATerminalWouldObeyIsShownInstead() {
        String sent = painter(Colours.Depth.NONE).paint(picture("a\u001b[31mb\u0007\u009bc", "\u202eb", Style.PLAIN));
        assertFalse(sent.contains("\u001b[31m"), sent);
        assertTrue(sent.contains("a\u241b[31mb"), sent);
        assertFalse(sent.contains("\u0007") || sent.contains("\u009b") || sent.contains("\u202e"), sent);
    }
}
