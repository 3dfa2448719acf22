/**
 * A file in outline without a parser: package, imports, types, members, header. Works on code that does not parse.
 */
package dev.deftchisel.source.outline;
