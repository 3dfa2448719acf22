package dev.deftchisel.cli.console;

import java.io.InputStream;
import java.io.PrintStream;

/**
 * The streams a command works with, and what they are connected to.
 *
 * @param in         keys
 * @param out        results only
 * @param err        everything else
 * @param isTerminal whether a person sits at in and out
 * @param isTerminalErr whether a person sees err
 * @param palette    the colours of out
 */
public record Console(
        InputStream in, PrintStream out, PrintStream err, boolean isTerminal, boolean isTerminalErr, Palette palette) {

    public Console with(Palette other) {
        return new Console(in, out, err, isTerminal, isTerminalErr, other);
    }

    /** One line on standard error. */
    public void say(String line) {
        err.println(line);
        err.flush();
    }
}
