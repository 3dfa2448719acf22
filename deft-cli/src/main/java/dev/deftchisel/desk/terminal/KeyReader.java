package dev.deftchisel.desk.terminal;

import dev.deftchisel.desk.key.Key;
import java.io.IOException;
import java.util.Map;
import org.jline.utils.NonBlockingReader;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Reads keys off what a terminal sends: characters, control characters, and sequences as in ECMA-48, 5.4 with the
 * modifiers that xterm puts in (1 and a bit each for Shift, Alt, Ctrl). Esc followed by a character within a moment is
 * that key with Alt.
 */
final class KeyReader {

    private static final Logger LOG = LoggerFactory.getLogger(KeyReader.class);

    private static final int ESC = 27;
    private static final int DEL = 127;
    private static final int BELL = 7;
    private static final int LONGEST_REPORT = 4096;
    private static final long MOMENT_MILLIS = 40;
    private static final int MOST_PARAMETERS = 32;
    private static final String PASTE_END = "\u001b[201~";
    private static final int LAST_CONTROL_LETTER = 26;

    private static final Map<Character, String> FINALS = Map.of('A', "Up", 'B', "Down", 'C', "Right", 'D', "Left", 'H',
            "Home",
            'F', "End");
    private static final Map<String, String> NUMBERS = Map.of("1", "Home", "2", "Insert", "3", "Delete", "4", "End",
            "5", "PageUp",
            "6", "PageDown", "7", "Home", "8", "End");

    private final NonBlockingReader reader;

    KeyReader(NonBlockingReader reader) {
        this.reader = reader;
    }

    /** Leaves out what has come so far: who typed it had not seen yet what it would be for. */
    void discard() {
        try {
            int c = reader.read(MOMENT_MILLIS);
            while (c >= 0) {
                c = reader.read(MOMENT_MILLIS);
            }
        } catch (IOException closed) {
            LOG.debug("the terminal is gone; the next read says so", closed);
        }
    }

    /** Waits for the next input. */
    Input next() {
        try {
            int c = reader.read();
            if (c < 0) {
                return new Input.Ended();
            }
            return c == ESC ? escape() : new Input.Pressed(plain(c));
        } catch (IOException closed) {
            return new Input.Ended();
        }
    }

    /** One character; a character beyond the first plane comes in two halves. */
    private Key plain(int c) throws IOException {
        if (c == '\r' || c == '\n') {
            return Key.of("Enter");
        } else if (c == '\t') {
            return Key.of("Tab");
        } else if (c == DEL || c == '\b') {
            return Key.of("Backspace");
        } else if (c == 0) {
            return Key.of("Space").withCtrl();
        } else if (c <= LAST_CONTROL_LETTER) {
            return Key.of(String.valueOf((char) ('a' + c - 1))).withCtrl();
        } else if (c < ' ') {
            return Key.of(String.valueOf((char) ('@' + c))).withCtrl();
        }
        if (Character.isHighSurrogate((char) c)) {
            int low = reader.read();
            return Key.of(low < 0 || !Character.isLowSurrogate((char) low) ? "\ufffd"
                    : new String(new char[] {(char) c, (char) low}));
        }
        return Key.of(String.valueOf((char) c));
    }

    private Input escape() throws IOException {
        int c = reader.read(MOMENT_MILLIS);
        if (c < 0) {
            return new Input.Pressed(Key.of("Esc"));
        } else if (c == '[' || c == 'O') {
            return sequence(c == 'O');
        } else if (c == ']' || c == 'P') {
            return report((char) c);
        } else if (c == ESC) {
            // some terminals send Alt as one more Esc before the sequence
            return escape() instanceof Input.Pressed pressed ? new Input.Pressed(pressed.key().withAlt())
                    : new Input.Other();
        }
        return new Input.Pressed(plain(c).withAlt());
    }

    /**
     * What a terminal answers to a question (ECMA-48, 5.6): up to the sign of its end, which is no text whatever is in
     * it.
     */
    private Input report(char first) throws IOException {
        int c = reader.read(MOMENT_MILLIS);
        if (c < 0) {
            return new Input.Pressed(Key.of(String.valueOf(first)).withAlt());
        }
        boolean isInEnd = false;
        for (int length = 0; c >= 0 && c != BELL && !(isInEnd && c == '\\') && length < LONGEST_REPORT; length++) {
            isInEnd = c == ESC;
            c = reader.read(MOMENT_MILLIS);
        }
        return new Input.Other();
    }

    private Input sequence(boolean isShort) throws IOException {
        StringBuilder parameters = new StringBuilder();
        int c = reader.read(MOMENT_MILLIS);
        if (c < 0) {
            return new Input.Pressed(Key.of(isShort ? "O" : "[").withAlt());
        }
        // parameters and intermediates are between blank and question mark, what ends the sequence is after
        while (c >= ' ' && c <= '?' && parameters.length() < MOST_PARAMETERS) {
            parameters.append((char) c);
            c = reader.read(MOMENT_MILLIS);
        }
        if (parameters.toString().equals("200") && c == '~') {
            return new Input.Pasted(pasted());
        }
        return key(parameters.toString(), (char) c);
    }

    private static Input key(String parameters, char last) {
        if (last == 'Z') {
            return new Input.Pressed(Key.of("Tab").withShift());
        }
        if (!parameters.matches("[\\d;]*")) {
            return new Input.Other();
        }
        String[] numbers = parameters.split(";");
        String name = last == '~' ? NUMBERS.get(numbers[0]) : FINALS.get(last);
        int modifiers = numbers.length > 1 && numbers[1].matches("\\d{1,3}") ? Integer.parseInt(numbers[1]) - 1 : 0;
        if (name == null || modifiers < 0) {
            return new Input.Other();
        }
        return new Input.Pressed(new Key((modifiers & 4) != 0, (modifiers & 2) != 0, (modifiers & 1) != 0, name));
    }

    private String pasted() throws IOException {
        StringBuilder text = new StringBuilder();
        while (text.length() < PASTE_END.length()
                || text.lastIndexOf(PASTE_END) != text.length() - PASTE_END.length()) {
            int c = reader.read();
            if (c < 0) {
                return text.toString();
            }
            text.append((char) c);
        }
        return text.substring(0, text.length() - PASTE_END.length()).replace("\r\n", "\n").replace('\r', '\n');
    }
}
