/**
 * The identity of what code declares, independent of one compiler run: a
 * {@link dev.deftchisel.analysis.symbol.SymbolKey} stays the same when the code is analysed again, so that names before
 * and after a change can be compared. A {@link dev.deftchisel.analysis.symbol.Binding} says which symbol a name means,
 * and in which {@link dev.deftchisel.analysis.symbol.Role}. May call {@code source} and {@code workspace} only.
 */
package dev.deftchisel.analysis.symbol;
