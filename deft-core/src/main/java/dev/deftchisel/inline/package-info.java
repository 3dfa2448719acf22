/**
 * Inline: a name gives way to what it stands for. From the name to what it stands for ({@code Inlined}), from there to
 * whether it means the same in each place ({@code SameInPlace}) and how it is written there ({@code InlineEdits}).
 */
package dev.deftchisel.inline;
