/** What must hold after each single change: of bytes, of undo, of the way back. */
package dev.deftchisel.proving.oracle.step;
