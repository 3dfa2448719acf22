/** Types that are more general than what is declared: what would do, and the change of a variable or field to it. */
package dev.deftchisel.signature.supertype;
