/**
 * One class for each feature of the protocol: hover, navigation, hierarchies, code actions, renames, diagnostics.
 */
package dev.deftchisel.lsp.feature;
