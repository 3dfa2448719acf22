/**
 * Damages correct changes in known ways and counts how many of those that change what the code means the guard catches.
 * Whether they do is said by the compiled classes, not by the guard.
 */
package dev.deftchisel.proving.fault;
