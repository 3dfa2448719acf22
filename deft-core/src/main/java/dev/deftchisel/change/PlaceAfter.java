package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import java.nio.file.Path;

/**
 * A place in the code after a change.
 *
 * @param file  as it is named then
 * @param range in its text then
 */
public record PlaceAfter(Path file, Range range) {
}
