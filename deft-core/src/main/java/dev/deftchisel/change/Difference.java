package dev.deftchisel.change;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.Optional;

/**
 * A place where the code would not mean the same after a change.
 *
 * @param kind     what differs
 * @param file     as it is called before the change
 * @param range    in the text before the change
 * @param expected the symbol that must be meant, under its key before the change
 * @param actual   the symbol that would be meant, under its key after the change; empty when nothing would
 * @param sentence what would happen, for people
 */
public record Difference(
        Kind kind,
        Path file,
        Range range,
        Optional<SymbolKey> expected,
        Optional<SymbolKey> actual,
        String sentence) {

    /** What differs. */
    public enum Kind {
        /** A name would mean another declaration, or none. */
        BINDING,
        /** The compiler would report an error that is not there today. */
        ERROR,
        /** A method would override another that it does not override today, or no longer do so. */
        OVERRIDING,
        /** An expression would have another type. */
        TYPE,
        /** A constant would have another value. */
        CONSTANT,
        /** The analysis of the changed code failed, so nothing is proven. */
        UNPROVEN,
        /** A file must not or cannot be written. */
        FILE,
        /**
         * A call would mean another method of its name, in code that did not compile before: reported, but no reason to
         * refuse, since the compiler could not know what was meant.
         */
        OVERLOAD,
        /** A reference in documentation would not be found any more; told, but no reason to refuse. */
        DOCUMENTATION
    }

    /** Whether the change must not be applied because of this. */
    public boolean isBlocking() {
        return kind != Kind.DOCUMENTATION && kind != Kind.OVERLOAD;
    }
}
