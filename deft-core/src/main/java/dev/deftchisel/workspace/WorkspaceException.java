package dev.deftchisel.workspace;

/** The workspace cannot be opened or read; the message is one line that says what, where, and what to do. */
public sealed class WorkspaceException extends RuntimeException permits UnfitJavaException {

    private static final long serialVersionUID = 1L;

    /** @param message one line for the user */
    public WorkspaceException(String message) {
        super(message);
    }

    /** @param message one line for the user */
    public WorkspaceException(String message, Throwable cause) {
        super(message, cause);
    }
}
