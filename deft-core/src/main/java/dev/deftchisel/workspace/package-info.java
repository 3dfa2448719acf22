/**
 * Where the code lives: modules with their roots, class path and language level, and a snapshot of all their files.
 *
 * <p>A {@link dev.deftchisel.workspace.opening.ProjectReader} turns a folder into a
 * {@link dev.deftchisel.workspace.Workspace}; a {@link dev.deftchisel.workspace.Snapshot} holds the texts at one
 * moment, possibly with some of them changed in memory. Nothing here runs a build script or reaches a network unless it
 * was asked to. May call {@code source} only.
 */
package dev.deftchisel.workspace;
