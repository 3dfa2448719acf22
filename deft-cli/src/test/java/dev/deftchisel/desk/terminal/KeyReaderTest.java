package dev.deftchisel.desk.terminal;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jline.utils.NonBlockingReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KeyReaderTest {

    private static List<Input> read(String sent) {
        KeyReader reader = new KeyReader(new Typed(new StringReader(sent)));
        List<Input> all = new ArrayList<>();
        for (Input next = reader.next(); !(next instanceof Input.Ended); next = reader.next()) {
            all.add(next);
        }
        return all;
    }

    private static String shown(List<Input> all) {
        return all.stream().map(input -> input instanceof Input.Pressed pressed ? pressed.key().toString()
                : input.toString())
                .collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource(textBlock = """
            a,          a
            é,          é
            😀,         😀
            ^M,         Enter
            ^J,         Enter
            ^I,         Tab
            ^[[Z,       Shift-Tab
            ^?,         Backspace
            ^H,         Backspace
            ^@,         Ctrl-Space
            ^S,         Ctrl-s
            ^C,         Ctrl-c
            ^_,         Ctrl-_
            ^[r,        Alt-r
            ^[R,        Alt-R
            ^[^M,       Alt-Enter
            ^[^?,       Alt-Backspace
            ^[[A,       Up
            ^[OB,       Down
            ^[[1;2C,    Shift-Right
            ^[[1;3D,    Alt-Left
            ^[[1;5A,    Ctrl-Up
            ^[[1;6D,    Ctrl-Shift-Left
            ^[^[[A,     Alt-Up
            ^[[H,       Home
            ^[[4~,      End
            ^[[3~,      Delete
            ^[[3;5~,    Ctrl-Delete
            ^[[5~,      PageUp
            ^[,         Esc
            ^[[,        Alt-[
            ^[O,        Alt-O
            ^[],        Alt-]
            ^[P,        Alt-P
            x^[[Bx,     x Down x
            """)
    void keys(String sent, String expected) {
        assertEquals(expected, shown(read(control(sent))));
    }

    /** Control characters as they are usually written: a letter after a caret. */
    private static String control(String text) {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < text.length(); i++) {
            out.append(text.charAt(i) == '^' && i + 1 < text.length() ? (char) (text.charAt(++i) ^ 64)
                    : text.charAt(i));
        }
        return out.toString();
    }

    @Test
    void whatIsNoKeyOfOursLeavesNothingBehind() {
        List<Input> all = read(control(
                "^[[27;5;9~^[[<0;3;4M^[[99~^[]11;rgb:00/00/00^[\\^[]11;rgb:00/00/00^G^[[?64;1c^[P1$r0m^[\\a"));
        assertEquals("a", shown(all.subList(all.size() - 1, all.size())));
        all.subList(0, all.size() - 1).forEach(input -> assertInstanceOf(Input.Other.class, input, all.toString()));
    }

    @Test
    void pastedTextComesInOnePieceWithOurLineEnds() {
        assertEquals(List.of(new Input.Pasted("int a;\n\tint b; // 漢")),
                read(control("^[[200~int a;^M^Iint b; // 漢^[[201~")));
    }

    @Test
    void pastedTextThatNeverEndsIsKept() {
        assertEquals(List.of(new Input.Pasted("int")), read(control("^[[200~int")));
    }

    /** What was sent is there at once, and what was not is late at once: no clock decides what these tests see. */
    private static final class Typed extends NonBlockingReader {

        private final StringReader sent;

        Typed(StringReader sent) {
            this.sent = sent;
        }

        @Override
        protected int read(long timeout, boolean isPeek) throws IOException {
            if (isPeek) {
                sent.mark(1);
            }
            int c = sent.read();
            if (isPeek) {
                sent.reset();
            }
            return c < 0 && timeout > 0 ? READ_EXPIRED : c;
        }

        @Override
        public int readBuffered(char[] b, int off, int len, long timeout) throws IOException {
            return sent.read(b, off, len);
        }

        @Override
        public void close() {
            sent.close();
        }
    }
}
