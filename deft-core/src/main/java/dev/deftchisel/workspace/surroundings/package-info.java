/**
 * Files around the code: {@code .editorconfig}, the git repository, other languages, and our own state folder.
 */
package dev.deftchisel.workspace.surroundings;
