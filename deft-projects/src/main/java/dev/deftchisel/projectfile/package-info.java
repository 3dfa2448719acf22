/**
 * Reads {@code deft-project.json}, in which any build can say what its modules are. The format is described in
 * docs/projects.md.
 */
package dev.deftchisel.projectfile;
