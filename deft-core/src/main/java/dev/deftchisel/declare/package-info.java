/**
 * Declarations made from their uses: a name that nobody declares is used first, and the places say what it must be. A
 * use is a {@link dev.deftchisel.declare.inference.UnresolvedName}; what it asks of the value is said by
 * {@link dev.deftchisel.declare.inference.LikelyTargetTypes}, of calls by
 * {@link dev.deftchisel.declare.inference.LikelyArgumentTypes}, and how it sees a generic type by
 * {@link dev.deftchisel.declare.inference.TypeSubstitution}. Of which type it is is told by
 * {@link dev.deftchisel.declare.inference.ValueType} from all uses together, what takes arguments by
 * {@link dev.deftchisel.declare.signature.ArgumentTypes}, what a method is by
 * {@link dev.deftchisel.declare.signature.MethodSignature}, what a type is by
 * {@link dev.deftchisel.declare.signature.TypeUses}. {@link dev.deftchisel.declare.DeclareOperation} leads members from
 * the use to the change.
 */
package dev.deftchisel.declare;
