/**
 * Runs of the JDK's compiler through its public API: which files and bodies are attributed ({@link
 * dev.deftchisel.analysis.compiler.Focus}), from which texts ({@link
 * dev.deftchisel.analysis.compiler.SnapshotFileManager}), with which processors ({@link
 * dev.deftchisel.analysis.compiler.AnnotationProcessing}), and what it reports ({@link
 * dev.deftchisel.analysis.compiler.CompilerError}). Knows nothing of symbols or changes.
 */
package dev.deftchisel.analysis.compiler;
