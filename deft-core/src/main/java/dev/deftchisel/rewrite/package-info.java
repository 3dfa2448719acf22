/**
 * Writes new code around existing code: pieces of text with holes into which expressions of the file go as they stand,
 * parentheses where precedence needs them, names of types with their imports, indentation as the file has it. Says
 * where code may go so that it is evaluated as often and in the same order ({@code HomeFinder}). Used by operations;
 * knows none of them.
 */
package dev.deftchisel.rewrite;
