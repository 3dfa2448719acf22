package dev.deftchisel.operation;

import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.Optional;

/**
 * Why something is refused.
 *
 * @param file     where the obstacle is, if at a place
 * @param range    of the obstacle, in the file as it is
 * @param sentence what is in the way, or what would happen; one line
 */
public record Reason(Optional<Path> file, Range range, String sentence) {

    /** A reason that lies in no particular place. */
    public static Reason of(String sentence) {
        return new Reason(Optional.empty(), new Range(0, 0), sentence);
    }

    /** A reason with a place. */
    public static Reason at(Path file, Range range, String sentence) {
        return new Reason(Optional.of(file), range, sentence);
    }
}
