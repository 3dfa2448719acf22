/**
 * What names read after a move: those of the types that move wherever they stand, and those in their text.
 */
package dev.deftchisel.move.name;
