package dev.deftchisel.proving.corpus;

/** A corpus cannot be had or does not hold; the message is one line that says what to do. */
public final class CorpusException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /** @param message one line for the user */
    public CorpusException(String message) {
        super(message);
    }

    /** @param message one line for the user */
    public CorpusException(String message, Throwable cause) {
        super(message, cause);
    }
}
