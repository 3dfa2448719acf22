/**
 * From a folder to a {@link dev.deftchisel.workspace.Workspace}: {@link dev.deftchisel.workspace.opening.Workspaces}
 * asks each {@link dev.deftchisel.workspace.opening.ProjectReader} that is on the class path.
 */
package dev.deftchisel.workspace.opening;
