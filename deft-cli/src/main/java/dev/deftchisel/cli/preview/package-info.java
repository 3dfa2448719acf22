/**
 * The preview of a change on a terminal, and the questions before it.
 */
package dev.deftchisel.cli.preview;
