package dev.deftchisel.change;

import dev.deftchisel.source.Range;

/**
 * Code of a file that need not be written again, since other code of the file that stays or is carried reads and means
 * the same.
 *
 * @param gone  what an edit takes away
 * @param other what stands for it; does not overlap
 */
public record Alike(Range gone, Range other) {
}
