/**
 * The commands about problems: list, fix, go to the next, explain the rules.
 */
package dev.deftchisel.cli.problem;
