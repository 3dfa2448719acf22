package dev.deftchisel.source.outline;

import dev.deftchisel.source.Range;
import java.util.Set;

/**
 * What the tokens of a type declaration's header say, without resolving anything.
 *
 * @param name       simple name
 * @param nestedName names from the top-level type on, joined by dots; for a type declared within a body the names of
 *                   the types around it, so it need not be unique
 * @param isTopLevel whether the type is directly in the compilation unit
 * @param supers     every identifier in the {@code extends} and {@code implements} clauses: more than the supertypes
 *                   (qualifiers, type arguments), never fewer
 * @param nameRange  where the name stands
 */
public record TypeOutline(String name, String nestedName, boolean isTopLevel, Set<String> supers, Range nameRange) {
}
