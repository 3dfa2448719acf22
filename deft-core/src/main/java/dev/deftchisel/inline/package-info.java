/**
 * Inline: a name is replaced by what it stands for. {@link dev.deftchisel.inline.InlineOperation} finds out what that
 * is: a variable ({@link dev.deftchisel.inline.InlineVariable}), a field, or a method. Whether the value is the same
 * in each place is decided by {@link dev.deftchisel.inline.MovableValue} and, for calls, in {@code inline.call}.
 */
package dev.deftchisel.inline;
