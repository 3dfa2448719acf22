/**
 * What is wrong with code or could be better, and what would mend it. A {@link dev.deftchisel.problem.Rule} says what
 * it looks for; a {@link dev.deftchisel.problem.RuleContext} leads all rules over a file once and collects what they
 * report. The rules themselves live in packages below {@code rule}, what mends errors of the compiler in
 * {@code repair}.
 */
package dev.deftchisel.problem;
