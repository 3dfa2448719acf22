/**
 * The proof that a change keeps what the code means: the changed code is analysed again in memory and compared, name by
 * name, with what it was. {@link dev.deftchisel.guard.Guard} lists what is proven; docs/guard.md what can be announced.
 * May call {@code analysis} and {@code change}; knows no operation.
 */
package dev.deftchisel.guard;
