package dev.deftchisel.external;

import java.util.Optional;

/**
 * A name outside of the program that follows from one in it.
 *
 * @param name  as it is known there
 * @param what  what is known by it, for instance {@code JSON property (Jackson)}
 * @param keeper what can be written so that it stays; empty when there is no such thing
 */
public record ExternalName(String name, String what, Optional<Keeper> keeper) {

    /**
     * An annotation that says a name outright.
     *
     * @param annotation its qualified name
     * @param attribute  the element that takes the name
     * @param isThere    whether the declaration has the annotation, without a name
     */
    public record Keeper(String annotation, String attribute, boolean isThere) {
    }
}
