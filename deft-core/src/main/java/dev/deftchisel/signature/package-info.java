/**
 * Changes of a signature: the header of a method or constructor is typed as it is to be, and its declarations, calls
 * and documentation follow. {@link dev.deftchisel.signature.ChangeSignatureOperation} is the operation; it reads the
 * header, finds which parameter is which, has the types resolved where they will stand, and writes.
 */
package dev.deftchisel.signature;
