/**
 * Judges of changes, each for one thing that must hold. They share nothing with the code that makes changes or guards
 * them: they look at bytes, at what a separate run of the compiler says, and at the class files it makes.
 */
package dev.deftchisel.proving.oracle;
