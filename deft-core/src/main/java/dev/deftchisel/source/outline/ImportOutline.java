package dev.deftchisel.source.outline;

import dev.deftchisel.source.Range;

/**
 * An import declaration as its tokens say it (JLS 7.5).
 *
 * @param name       what is imported, without a final asterisk
 * @param isStatic   whether members are imported
 * @param isOnDemand whether it ends in an asterisk, or imports a whole module
 * @param range      from the keyword up to and with the semicolon
 */
public record ImportOutline(String name, boolean isStatic, boolean isOnDemand, Range range) {

    /** The name by which the file can refer to what is imported; meaningless on demand. */
    public String simpleName() {
        return name.substring(name.lastIndexOf('.') + 1);
    }
}
