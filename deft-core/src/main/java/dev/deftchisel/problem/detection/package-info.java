/**
 * Running rules and repairs over files: {@link dev.deftchisel.problem.detection.RuleRunner} leads all rules over a file
 * once and collects what they report, {@link dev.deftchisel.problem.detection.Repairs} asks for fixes of errors,
 * {@link dev.deftchisel.problem.detection.Suppressions} leaves out what the code suppresses.
 */
package dev.deftchisel.problem.detection;
