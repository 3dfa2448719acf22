/**
 * Inline a method at one call: how each argument takes its parameter's place ({@link
 * dev.deftchisel.inline.call.ArgumentBinding}), what the body becomes there ({@link
 * dev.deftchisel.inline.call.BodyWriter}), and why it cannot ({@link dev.deftchisel.inline.call.CallObjections}).
 */
package dev.deftchisel.inline.call;
