package dev.deftchisel.cli.console;

/** What the process returns. */
public final class ExitCode {

    /** It was done, or shown. */
    public static final int DONE = 0;
    /** It was refused; the reason is on standard error. */
    public static final int REFUSED = 1;
    /** The command was not understood, or what it names is not there. */
    public static final int USAGE = 2;

    private ExitCode() {
    }
}
