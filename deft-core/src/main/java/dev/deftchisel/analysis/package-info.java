/**
 * What the names in code mean. {@link dev.deftchisel.analysis.Analyst} is the entry point: it has the JDK's compiler
 * attribute what a {@link dev.deftchisel.analysis.compiler.Focus} asks for and returns an
 * {@link dev.deftchisel.analysis.Analysis}, in which each name is a
 * {@link dev.deftchisel.analysis.symbol.Binding} to a {@link dev.deftchisel.analysis.symbol.SymbolKey}. Two analyses
 * can be compared by their keys. May call {@code source} and {@code workspace}; knows nothing of changes.
 */
package dev.deftchisel.analysis;
