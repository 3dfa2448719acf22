/** Plans a move: what must be looked at, what is in the way, where the text goes. */
package dev.deftchisel.move.type;
