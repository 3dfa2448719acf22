package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import java.nio.file.Path;

/**
 * Code that an edit writes again as it was: its names must mean the same where it stands now.
 *
 * @param file where it stood before the change, and may still stand
 * @param from its range there; within one line when it is indented anew
 * @param at   where it starts within the replacement
 */
public record MovedCode(Path file, Range from, int at) {

    /** Where an offset of the code stands within the replacement. */
    int placeOf(int offset) {
        return at + offset - from.start();
    }
}
