package dev.deftchisel.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.jline.reader.EndOfFileException;
import org.jline.reader.LineReaderBuilder;
import org.jline.reader.UserInterruptException;
import org.jline.terminal.Attributes;
import org.jline.terminal.Terminal;
import org.jline.terminal.TerminalBuilder;

/** Asks a person at a terminal: for one key, or for a line. */
class Keyboard implements AutoCloseable {

    private static final int END = -1;
    private static final int CONTROL_C = 3;
    private static final int CONTROL_D = 4;
    private static final int ESCAPE = 27;

    private final Terminal terminal;

    Keyboard() {
        try {
            terminal = TerminalBuilder.builder().name("deft").system(true).dumb(true).build();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /**
     * A key that stands for something.
     *
     * @param key  what to press
     * @param does what it does, in a few words
     */
    record Key(char key, String does) {
    }

    /**
     * Waits for one of the keys.
     *
     * @param keys     what is possible now
     * @param standard what escape, end of input and interruption stand for
     */
    char ask(Console console, List<Key> keys, char standard) {
        StringBuilder hint = new StringBuilder();
        keys.forEach(key -> hint.append(hint.length() == 0 ? "" : "   ")
                .append(console.palette().key(String.valueOf(key.key()))).append(' ').append(key.does()));
        console.out().print(hint + " > ");
        console.out().flush();
        while (true) {
            int read = read();
            if (read == END || read == CONTROL_C || read == CONTROL_D || read == ESCAPE) {
                console.out().println();
                return standard;
            }
            for (Key key : keys) {
                if (key.key() == (char) read) {
                    console.out().println(key.key());
                    return key.key();
                }
            }
        }
    }

    private int read() {
        Attributes before = terminal.enterRawMode();
        try {
            return terminal.reader().read();
        } catch (IOException closed) {
            return END;
        } finally {
            terminal.setAttributes(before);
        }
    }

    /**
     * Asks for a line; the text proposed stands there to be changed.
     *
     * @return empty text when nothing was given
     */
    String line(String prompt, String proposed) {
        try {
            return LineReaderBuilder.builder().terminal(terminal).build()
                    .readLine(prompt + ": ", null, (Character) null, proposed).strip();
        } catch (UserInterruptException | EndOfFileException left) {
            return "";
        }
    }

    @Override
    public void close() {
        try {
            terminal.close();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
