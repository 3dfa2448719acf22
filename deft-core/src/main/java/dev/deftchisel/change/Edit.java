package dev.deftchisel.change;

import dev.deftchisel.source.Range;

/**
 * One stretch of a file and what takes its place.
 *
 * @param range       in the text before the change; empty for an insertion
 * @param replacement the new text; for a {@linkplain Kind#isName() name} the new name stands at its end
 * @param kind        what the edit is for
 * @param isTaken     whether it takes part in the change; only mentions may be left out without breaking the code
 */
public record Edit(Range range, String replacement, Kind kind, boolean isTaken) implements Comparable<Edit> {

    /** What an edit is for. */
    public enum Kind {
        DECLARATION("declaration"),
        REFERENCE("reference"),
        DOCUMENTATION("reference in documentation"),
        /** Code added so that a name keeps its meaning. */
        QUALIFIER("qualifier"),
        IMPORT("import"),
        COMMENT("comment"),
        STRING("string literal"),
        /** A name in a file that is not Java. */
        RESOURCE("resource");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** For instance "string literal". */
        public String words() {
            return words;
        }

        /** Whether the name replaced stands in text rather than in code. */
        public boolean isMention() {
            return this == COMMENT || this == STRING || this == RESOURCE;
        }

        /** Whether a name is replaced by a name, possibly with a qualifier before it. */
        public boolean isName() {
            return this == DECLARATION || this == REFERENCE || this == DOCUMENTATION;
        }
    }

    /** An edit that takes part. */
    public static Edit of(Range range, String replacement, Kind kind) {
        return new Edit(range, replacement, kind, true);
    }

    /** The same edit, taken or left out. */
    public Edit taken(boolean taken) {
        return new Edit(range, replacement, kind, taken);
    }

    /** The length of the name at the end of the replacement. */
    int nameLength() {
        return replacement.length() - (replacement.lastIndexOf('.') + 1);
    }

    @Override
    public int compareTo(Edit other) {
        return range.compareTo(other.range);
    }
}
