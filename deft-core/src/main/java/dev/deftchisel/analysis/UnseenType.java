package dev.deftchisel.analysis;

import dev.deftchisel.source.Range;

/**
 * A place where code needs a type that its build does not let it see.
 *
 * @param range    of the name
 * @param type     its binary name
 * @param sentence why it is not seen
 */
public record UnseenType(Range range, String type, String sentence) {
}
