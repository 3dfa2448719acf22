package dev.deftchisel.cli;

/** What the process returns. */
final class ExitCode {

    /** It was done, or shown. */
    static final int DONE = 0;
    /** It was refused; the reason is on standard error. */
    static final int REFUSED = 1;
    /** The command was not understood, or what it names is not there. */
    static final int USAGE = 2;

    private ExitCode() {
    }
}
