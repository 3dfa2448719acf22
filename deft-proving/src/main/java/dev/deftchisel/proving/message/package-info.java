/**
 * The language server under random messages: valid ones, such as no client would send, and such as make no sense at
 * all.
 */
package dev.deftchisel.proving.message;
