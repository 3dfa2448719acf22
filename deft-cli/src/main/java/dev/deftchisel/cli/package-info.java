/**
 * The command {@code deft}: reads arguments, asks on a terminal, shows what the core says. No rewriting happens here.
 *
 * <p>{@link dev.deftchisel.cli.Deft} is the start. Each operation found on the class path becomes a command of its own
 * with its questions as options, see {@link dev.deftchisel.cli.refactoring.OperationCommand}.
 */
package dev.deftchisel.cli;
