/**
 * Declarations made from their uses: a name that nobody declares is used first, and its uses say what it must be.
 * {@link dev.deftchisel.declare.DeclareOperation} leads from the use to the change; what uses say about types is in
 * {@code declare.inference}, what is declared in {@code declare.signature}.
 */
package dev.deftchisel.declare;
