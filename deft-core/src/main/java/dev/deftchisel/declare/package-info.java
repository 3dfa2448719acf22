/**
 * Declarations made from their uses: a name that nobody declares is used first, and the places say what it must be. A use is a
 * {@link dev.deftchisel.declare.Missing}, of which type it is is told by {@link dev.deftchisel.declare.ValueType} from all
 * uses together, what a method is by {@link dev.deftchisel.declare.Shape}, what a type is by {@link
 * dev.deftchisel.declare.TypeUses}. {@link dev.deftchisel.declare.DeclareOperation} leads members from the use to the change.
 */
package dev.deftchisel.declare;
