/**
 * Extract: an expression gets a name. From what is selected to an expression ({@code Selected}), from there to the
 * place where the declaration may stand ({@code Home}), to the other places with the same value ({@code SameValue}).
 */
package dev.deftchisel.extract;
