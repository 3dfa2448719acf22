/**
 * Extract statements or an expression into a method: its name, signature, place, text, and the call.
 */
package dev.deftchisel.extract.method;
