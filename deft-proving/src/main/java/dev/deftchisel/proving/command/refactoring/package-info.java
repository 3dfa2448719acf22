/**
 * Commands that attack the operations and the guard.
 */
package dev.deftchisel.proving.command.refactoring;
