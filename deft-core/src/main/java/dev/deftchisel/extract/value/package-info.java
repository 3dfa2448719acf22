/**
 * Extract an expression into a variable, constant, field or parameter: where the declaration may stand, which other
 * places have the same value, what each place is replaced by.
 */
package dev.deftchisel.extract.value;
