package dev.deftchisel.desk.text;

import dev.deftchisel.source.Range;

/**
 * A caret with what is selected at it.
 *
 * @param anchor where the selection began; the same as the head when nothing is selected
 * @param head   where the caret stands
 * @param goal   the column it wants to be in when it moves up or down, or -1
 */
public record Caret(int anchor, int head, int goal) {

    /** A caret that selects nothing. */
    public static Caret at(int offset) {
        return new Caret(offset, offset, -1);
    }

    /** A selection with the caret at its end. */
    public static Caret over(Range range) {
        return new Caret(range.start(), range.end(), -1);
    }

    /** What is selected; empty at the caret when nothing is. */
    public Range range() {
        return new Range(Math.min(anchor, head), Math.max(anchor, head));
    }

    /** Whether nothing is selected. */
    public boolean isBare() {
        return anchor == head;
    }

    /** Elsewhere. */
    Caret moved(int offset, boolean selects) {
        return new Caret(selects ? anchor : offset, offset, -1);
    }
}
