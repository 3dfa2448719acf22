/**
 * Writes new code around existing code: pieces of text with holes into which expressions of the file go as they stand,
 * parentheses where precedence needs them, names of types with their imports, indentation as the file has it. Used by
 * operations; knows none of them.
 */
package dev.deftchisel.rewrite;
