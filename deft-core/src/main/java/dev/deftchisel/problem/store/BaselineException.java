package dev.deftchisel.problem.store;

/** A baseline file cannot be read or written; the message says why, for people. */
public final class BaselineException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    BaselineException(String message) {
        super(message);
    }
}
