/**
 * What each name in attributed code means: {@link dev.deftchisel.analysis.binding.BindingScanner} walks the trees of
 * one file, {@link dev.deftchisel.analysis.binding.DocBindings} its documentation,
 * {@link dev.deftchisel.analysis.binding.ModuleInfos} module declarations, and each name becomes a
 * {@link dev.deftchisel.analysis.symbol.Binding}. {@link dev.deftchisel.analysis.binding.Attribution} holds all of it
 * for one run of the compiler.
 */
package dev.deftchisel.analysis.binding;
