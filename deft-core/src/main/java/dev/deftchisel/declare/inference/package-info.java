/**
 * What uses of a name say about what it must be: a use is an {@link dev.deftchisel.declare.inference.UnresolvedName},
 * and types follow from what is assigned, passed, compared and called.
 */
package dev.deftchisel.declare.inference;
