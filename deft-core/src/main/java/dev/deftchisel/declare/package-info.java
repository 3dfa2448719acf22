/**
 * Declarations made from their uses: a name that nobody declares is used first, and the place says what it must be. What is
 * declared is known from {@link dev.deftchisel.declare.Missing}, of which type from {@link dev.deftchisel.declare.Wanted}.
 */
package dev.deftchisel.declare;
