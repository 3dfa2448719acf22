/**
 * Rename: a declaration and everything that refers to it get another name (Fowler, "Rename Variable", "Rename Field",
 * "Change Function Declaration").
 *
 * <p>{@link dev.deftchisel.rename.RenameOperation} reads top to bottom: is the new name legal, what is renamed
 * together, which names refer to it, which files move, where else is it mentioned. What would change meaning is found
 * by the guard, and {@link dev.deftchisel.rename.Qualifier} keeps it by qualifying where the language allows.
 */
package dev.deftchisel.rename;
