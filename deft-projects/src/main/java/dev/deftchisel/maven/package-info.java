/**
 * Reads Maven projects through Maven's own model and resolver libraries, without running any plugin; offline unless
 * told otherwise. Called by {@code workspace} through its service {@code ProjectReader}.
 */
package dev.deftchisel.maven;
