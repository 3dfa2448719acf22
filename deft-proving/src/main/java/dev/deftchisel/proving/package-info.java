/**
 * The command {@code prove}. It attacks operations with random subjects on code nobody here wrote, has the results
 * judged by oracles that share nothing with what they judge, plants faults to see whether the guard catches them,
 * tortures the journal, and measures. Not shipped to users.
 */
package dev.deftchisel.proving;
