/** Where code may go, so that it is evaluated as often and in the same order as before. */
package dev.deftchisel.rewrite.place;
