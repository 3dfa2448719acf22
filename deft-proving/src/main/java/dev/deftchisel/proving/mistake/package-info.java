/**
 * Small programs with one mistake each, as beginners and tired experts make them, and what their authors meant: the
 * first fix of the first error is taken, and the program must print that. They were written before the fixes were
 * looked at.
 */
package dev.deftchisel.proving.mistake;
