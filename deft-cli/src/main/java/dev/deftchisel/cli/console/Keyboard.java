package dev.deftchisel.cli.console;

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
public class Keyboard implements AutoCloseable {

    private static final int STANDARD_WIDTH = 80;
    private static final String GAP = "   ";
    private static final int END = -1;
    private static final int CONTROL_C = 3;
    private static final int CONTROL_D = 4;
    private static final int ESCAPE = 27;

    private final Terminal terminal;

    public Keyboard() {
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
    public record Key(char key, String does) {
    }

    /**
     * Waits for one of the keys.
     *
     * @param keys     what is possible now
     * @param defaultAnswer what escape, end of input and interruption stand for
     */
    public char ask(Console console, List<Key> keys, char defaultAnswer) {
        console.out().print(hint(console, keys) + " > ");
        console.out().flush();
        while (true) {
            int read = read();
            if (read == END || read == CONTROL_C || read == CONTROL_D || read == ESCAPE) {
                console.out().println();
                return defaultAnswer;
            }
            for (Key key : keys) {
                if (key.key() == (char) read) {
                    console.out().println(key.key());
                    return key.key();
                }
            }
        }
    }

    /** The keys with what they do, in lines that are not broken within one. */
    private String hint(Console console, List<Key> keys) {
        int width = terminal.getWidth() > 0 ? terminal.getWidth() : STANDARD_WIDTH;
        StringBuilder hint = new StringBuilder();
        int column = 0;
        for (Key key : keys) {
            int length = 2 + key.does().length();
            boolean isBroken = column > 0 && column + GAP.length() + length > width - 3;
            hint.append(column == 0 ? "" : isBroken ? System.lineSeparator() : GAP)
                    .append(console.palette().key(String.valueOf(key.key()))).append(' ').append(key.does());
            column = isBroken || column == 0 ? length : column + GAP.length() + length;
        }
        return hint.toString();
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
    public String line(String prompt, String proposed) {
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
