package dev.deftchisel.generate;

import dev.deftchisel.member.AccessorNames;

/**
 * How accessors are written.
 *
 * @param names      how they are called
 * @param isFluent   whether what sets a value returns the object
 * @param copies     whether arrays and collections are copied on the way
 * @param visibility the modifier with a blank after it; empty for none
 */
record AccessorStyle(AccessorNames names, boolean isFluent, boolean copies, String visibility) {
}
