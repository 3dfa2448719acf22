package dev.deftchisel.journal;

/** A change could not be written or taken back; nothing is half done. The message is one line for the user. */
public final class JournalException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /** @param message what happened, where, what to do */
    public JournalException(String message) {
        super(message);
    }

    /** @param message what happened, where, what to do */
    public JournalException(String message, Throwable cause) {
        super(message, cause);
    }
}
