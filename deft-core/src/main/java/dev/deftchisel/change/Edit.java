package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import java.util.List;

/**
 * One stretch of a file and what takes its place.
 *
 * @param range       in the text before the change; empty for an insertion
 * @param replacement the new text; for a {@linkplain Kind#isName() name} the new name stands at its end
 * @param kind        what the edit is for
 * @param isTaken     whether it takes part in the change; only mentions may be left out without breaking the code
 * @param carried     what of the replacement is code that stood elsewhere, or here, before
 * @param alike       what of the code that is replaced is not carried because it stands elsewhere too
 * @param unneeded    what of the code that is replaced is not carried because nobody can notice that it is evaluated
 * @param linked      where in the replacement a new name stands that the user may want to change once more
 */
public record Edit(
        Range range, String replacement, Kind kind, boolean isTaken, List<MovedCode> carried,
        List<DuplicateClaim> alike,
        List<Range> unneeded, List<Range> linked)
        implements Comparable<Edit> {

    /** Copies the lists. */
    public Edit {
        carried = List.copyOf(carried);
        alike = List.copyOf(alike);
        unneeded = List.copyOf(unneeded);
        linked = List.copyOf(linked);
    }

    /** An edit that carries nothing. */
    public Edit(Range range, String replacement, Kind kind, boolean isTaken) {
        this(range, replacement, kind, isTaken, List.of(), List.of(), List.of(), List.of());
    }

    /** What an edit is for. */
    public enum Kind {
        DECLARATION("declaration"),
        REFERENCE("reference"),
        DOCUMENTATION("reference in documentation"),
        /** Code added so that a name keeps its meaning. */
        QUALIFIER("qualifier"),
        IMPORT("import"),
        /** A modifier by which a declaration can be used from further away. */
        ACCESS("access modifier"),
        /** Code that is written anew, around code that is carried. */
        CODE("piece of code"),
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
        return new Edit(range, replacement, kind, taken, carried, alike, unneeded, linked);
    }

    /** The same edit, with code that it writes again. */
    public Edit carrying(List<MovedCode> pieces) {
        return new Edit(range, replacement, kind, isTaken, pieces, alike, unneeded, linked);
    }

    /** The same edit, which takes away code that stands elsewhere too. */
    public Edit giving(List<DuplicateClaim> twins) {
        return new Edit(range, replacement, kind, isTaken, carried, twins, unneeded, linked);
    }

    /** The same edit, which leaves out code whose evaluation nobody can notice. */
    public Edit without(List<Range> idle) {
        return new Edit(range, replacement, kind, isTaken, carried, alike, idle, linked);
    }

    /** The same edit, with new names in it. */
    public Edit linking(List<Range> names) {
        return new Edit(range, replacement, kind, isTaken, carried, alike, unneeded, names);
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
