/**
 * The terminal of a command: where output goes, colours, keys, progress, exit codes.
 */
package dev.deftchisel.cli.console;
