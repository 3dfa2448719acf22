/**
 * What is to be changed, as data: edits, moved files, and what the change means for the symbols.
 *
 * <p>Nothing here writes. A {@link dev.deftchisel.change.Change} can be looked at, thinned out, shown as a diff,
 * checked by the guard and passed to the journal. May call {@code source}, {@code workspace} and {@code analysis}.
 */
package dev.deftchisel.change;
