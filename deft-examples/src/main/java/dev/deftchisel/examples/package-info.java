/** Small programs that show how the library is used; each runs on a folder given as argument. */
package dev.deftchisel.examples;
