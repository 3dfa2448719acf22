/**
 * What is declared in the end: the signature of a method ({@link dev.deftchisel.declare.signature.MethodSignature}),
 * its parameters ({@link dev.deftchisel.declare.signature.Parameters}), a new type ({@link
 * dev.deftchisel.declare.signature.NewType}), as a {@link dev.deftchisel.declare.signature.DeclarationRequest} asks.
 */
package dev.deftchisel.declare.signature;
