package dev.deftchisel.change;

import dev.deftchisel.source.Range;

/**
 * Code that an edit writes again as it was: its names must mean the same where it stands now.
 *
 * @param from where it stood, in the same file before the change; within one line when it is indented anew
 * @param at   where it starts within the replacement
 */
public record Carried(Range from, int at) {

    /** Where a part of the code stands within the replacement. */
    Range within(Range part) {
        int start = at + part.start() - from.start();
        return new Range(start, start + part.length());
    }
}
