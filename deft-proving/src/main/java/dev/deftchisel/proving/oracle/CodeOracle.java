package dev.deftchisel.proving.oracle;

import dev.deftchisel.proving.compiled.CompiledCode;
import java.util.List;
import java.util.Optional;

/** Judges what became of the compiled code after some renames, one applied after the other. */
public interface CodeOracle {

    /** A few words for the report. */
    String name();

    /**
     * What is wrong.
     *
     * @param before  compiled before the first
     * @param after   compiled after the last
     * @param renames in the order in which they were applied
     * @return one line, or empty when all is well
     */
    Optional<String> objection(CompiledCode before, CompiledCode after, List<Rename> renames);
}
