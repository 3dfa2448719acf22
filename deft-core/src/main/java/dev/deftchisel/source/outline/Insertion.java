package dev.deftchisel.source.outline;

/**
 * Text that a compiler is to see although it does not stand in a file.
 *
 * @param offset   of the file, before which it comes
 * @param text     without line ends, so that lines stay where they are
 * @param isMember whether it is a declaration of its own, which has no place in the file; otherwise it belongs to the
 *                 declaration that begins there
 */
public record Insertion(int offset, String text, boolean isMember) {
}
