/** Where something is declared, told without the compiler where that will do, and in the files of libraries. */
package dev.deftchisel.navigation.declaration;
