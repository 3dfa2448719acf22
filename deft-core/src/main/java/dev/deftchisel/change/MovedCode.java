package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.Optional;

/**
 * Code that an edit writes again as it was: its names must mean the same where it stands now.
 *
 * @param file    where it stood before the change, and may still stand
 * @param from    its range there; within one line when it is indented anew
 * @param at      where it starts within the replacement
 * @param renamed what stands for it there where it is the name of something that gets another one
 */
public record MovedCode(Path file, Range from, int at, Optional<String> renamed) {

    /** Code that reads as it did. */
    public MovedCode(Path file, Range from, int at) {
        this(file, from, at, Optional.empty());
    }

    /** How long it is in the replacement. */
    public int length() {
        return renamed.map(String::length).orElse(from.length());
    }

    /** Where an offset of the code stands within the replacement. */
    int placeOf(int offset) {
        return offset == from.end() ? at + length() : at + Math.min(offset - from.start(), length());
    }
}
