/**
 * What the names in the code mean: files are parsed and attributed by the JDK's compiler through its public API, and
 * each name becomes a {@link dev.deftchisel.analysis.symbol.Binding} to a
 * {@link dev.deftchisel.analysis.symbol.SymbolKey}.
 *
 * <p>{@link dev.deftchisel.analysis.Analyst} is the way in: it is told a
 * {@link dev.deftchisel.analysis.compiler.Focus}, has only what matters attributed, and gives an
 * {@link dev.deftchisel.analysis.Analysis}. Two analyses can be compared by their keys. May call {@code source} and
 * {@code workspace}; no change is thought of here.
 */
package dev.deftchisel.analysis;
