/** What moves, and where it goes: types with their text, files as a whole. */
package dev.deftchisel.move.moved;
