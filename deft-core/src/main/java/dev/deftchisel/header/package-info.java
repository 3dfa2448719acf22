/** A header as somebody types it, read without a compiler, and which of its parameters is which of those there are. */
package dev.deftchisel.header;
