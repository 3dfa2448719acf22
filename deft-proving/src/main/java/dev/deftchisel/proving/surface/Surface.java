package dev.deftchisel.proving.surface;

import java.io.IOException;
import java.util.Optional;

/** A way to take an offer. */
interface Surface extends AutoCloseable {

    /** For people. */
    String name();

    /**
     * Takes an offer, whose change is on disk afterwards.
     *
     * @return what went wrong
     */
    Optional<String> take(Taken taken) throws IOException, InterruptedException;

    @Override
    default void close() throws IOException {
        // most have nothing to give back
    }
}
