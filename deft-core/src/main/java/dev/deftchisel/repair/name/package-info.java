/**
 * Fixes for simple names that nothing declares, that are declared twice, or that stand where they cannot be used.
 */
package dev.deftchisel.repair.name;
