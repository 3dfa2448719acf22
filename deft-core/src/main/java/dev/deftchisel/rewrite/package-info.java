/**
 * Writes new code around existing code: pieces of text with holes into which expressions of the file go as they are
 * ({@link dev.deftchisel.rewrite.NewCode}), parentheses where precedence needs them, names of types with their
 * imports, indentation as the file has it. {@link dev.deftchisel.rewrite.place.InsertionPointFinder} says where code
 * may go so that it is evaluated as often and in the same order. Used by operations; knows none of them.
 */
package dev.deftchisel.rewrite;
