/**
 * Attacks the operations with random subjects on code nobody here wrote, and judges by oracles that share nothing with
 * what they judge: another run of the compiler, and the class files it makes. Not shipped to users.
 */
package dev.deftchisel.proving;
