package dev.deftchisel.analysis.compiler;

/** The code cannot be analysed at all; the message is one line for the user. */
public final class AnalysisException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /** @param message what happened, where, and what to do */
    public AnalysisException(String message, Throwable cause) {
        super(message, cause);
    }
}
