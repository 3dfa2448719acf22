/** Proves that what moves to another place is the same code there, and no more open than was announced. */
package dev.deftchisel.guard.moved;
