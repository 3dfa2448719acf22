/** Commands that change code: one for each operation, made from its description. */
package dev.deftchisel.cli.refactoring;
