package dev.deftchisel.proving.oracle;

import dev.deftchisel.Chisel;
import java.io.IOException;
import java.util.Optional;

/** Judges one change right after it was applied; leaves the workspace as it found it. */
public interface TrialOracle {

    /** A few words for the report. */
    String name();

    /**
     * What is wrong.
     *
     * @param chisel  in whose workspace the change stands
     * @param applied the change
     * @return one line, or empty when all is well
     */
    Optional<String> objection(Chisel chisel, Applied applied) throws IOException;
}
