/**
 * What compiled methods do, read off class files by symbolic execution (King 1976): which calls, writes and jumps they
 * make in which order, and of what each operand was computed. Local variables do not show, so that arguments may be
 * passed in another order, or evaluated in a variable before.
 */
package dev.deftchisel.proving.dataflow;
