/**
 * Options that several commands share, and what each command does with them first.
 */
package dev.deftchisel.cli.option;
