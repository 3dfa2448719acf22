package dev.deftchisel.desk.terminal;

import java.io.IOException;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jline.terminal.Terminal;

/**
 * Asks a terminal whether its ground is light (xterm control sequences, OSC 11). Terminals that do not know answer the
 * next question only.
 */
final class Ask {

    private static final Pattern COLOUR = Pattern.compile(
            "11;rgb:(\\p{XDigit}{2})\\p{XDigit}*/(\\p{XDigit}{2})\\p{XDigit}*/(\\p{XDigit}{2})");
    private static final long PATIENCE_MILLIS = 200;
    private static final int HALF = 128 * 1000;

    private Ask() {
    }

    /** Empty when it does not say. */
    static Optional<Boolean> isLight(Terminal terminal) {
        // the second question, for what kind of terminal it is, all of them answer; that ends in c
        terminal.writer().print("\u001b]11;?\u001b\\\u001b[c");
        terminal.writer().flush();
        StringBuilder answer = new StringBuilder();
        try {
            int c = terminal.reader().read(PATIENCE_MILLIS);
            while (c >= 0) {
                answer.append((char) c);
                if (c == 'c' && answer.indexOf("[?") >= 0) {
                    break;
                }
                c = terminal.reader().read(PATIENCE_MILLIS);
            }
        } catch (IOException closed) {
            return Optional.empty();
        }
        Matcher colour = COLOUR.matcher(answer);
        return colour.find() ? Optional.of(brightness(colour) > HALF) : Optional.empty();
    }

    /** By the weights of Rec. 601, in thousandths. */
    private static int brightness(Matcher colour) {
        return 299 * Integer.parseInt(colour.group(1), 16) + 587 * Integer.parseInt(colour.group(2), 16)
                + 114 * Integer.parseInt(colour.group(3), 16);
    }
}
