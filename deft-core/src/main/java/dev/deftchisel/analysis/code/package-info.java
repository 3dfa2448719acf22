/**
 * Attributed code: {@link dev.deftchisel.analysis.code.AttributedFile} is the tree of one file with its types, symbols
 * and positions. Beside it are questions about code that several operations and rules ask: effects, jumps, constants,
 * ranges of values, calls, thrown types.
 */
package dev.deftchisel.analysis.code;
