/**
 * The proof that a change keeps what the code means: the changed code is analysed again in memory and compared, name by
 * name, with what it was. May call {@code analysis} and {@code change}; knows no operation.
 */
package dev.deftchisel.guard;
