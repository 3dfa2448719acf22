package dev.deftchisel.analysis;

/** Somebody who may only remember was asked about code that was not analysed, see {@link Analyst#remembering}. */
public final class NotKnownException extends RuntimeException {

    private static final long serialVersionUID = 1;

    NotKnownException() {
        super("this code was not analysed yet", null, false, false);
    }
}
