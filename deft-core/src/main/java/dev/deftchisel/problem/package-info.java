/**
 * What rules and repairs share. A {@link dev.deftchisel.problem.Rule} says what it looks for and reports to a
 * {@link dev.deftchisel.problem.RuleContext}; a {@link dev.deftchisel.problem.Repair} offers fixes for errors of the
 * compiler; a {@link dev.deftchisel.problem.Fix} rewrites code or uses an operation. The rules are in packages below
 * {@code rule}, the repairs in packages below {@code repair}.
 */
package dev.deftchisel.problem;
