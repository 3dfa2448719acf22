/**
 * Comparisons of code before and after a change, each of one aspect: names, overriding, constants, visibility, added
 * members.
 */
package dev.deftchisel.guard.comparison;
