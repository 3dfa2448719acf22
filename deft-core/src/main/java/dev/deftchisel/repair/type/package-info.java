/**
 * Fixes for values, operands, lambdas and type arguments of the wrong type.
 */
package dev.deftchisel.repair.type;
