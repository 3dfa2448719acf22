package dev.deftchisel.operation;

/** A place that does not exist; the message is one line that says why and what would be accepted. */
public final class PlaceException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /** @param message one line for the user */
    public PlaceException(String message) {
        super(message);
    }
}
