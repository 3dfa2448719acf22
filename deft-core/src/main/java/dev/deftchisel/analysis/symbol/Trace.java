package dev.deftchisel.analysis.symbol;

import dev.deftchisel.source.Range;
import java.nio.file.Path;

/**
 * A fact about a piece of code that must survive a change, beyond what its names bind to.
 *
 * @param file  where
 * @param range of the code
 * @param fact  what kind of fact
 * @param value for types the erased descriptor as in {@link SymbolKey.Method}, for a constant its value
 */
public record Trace(Path file, Range range, Fact fact, String value) {

    /** What is traced. */
    public enum Fact {
        /** The erased type of a call, lambda, method reference or conditional. */
        TYPE,
        /** The erased type of a variable, at its name; not that of a lambda's parameter which is only inferred. */
        VARIABLE,
        /** The value of a constant variable (JLS 4.12.4). */
        CONSTANT
    }
}
