package dev.deftchisel.proving.fault;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.change.Change;
import java.util.Optional;
import java.util.Random;

/** One way to damage a change. */
interface Fault {

    /** A few words for the report. */
    String name();

    /**
     * The change with one fault in it.
     *
     * @param correct a change that the guard lets through
     * @param before  the analysis it was planned with
     * @param random  decides where
     * @return empty when the change has no place for such a fault
     */
    Optional<Change> damage(Change correct, Analysis before, Random random);
}
