/**
 * What may mend a text that does not parse: a {@link dev.deftchisel.repair.syntax.candidate.Candidate} is one edit, a
 * {@link dev.deftchisel.repair.syntax.candidate.CandidateSource} proposes some for a
 * {@link dev.deftchisel.repair.syntax.candidate.BrokenText}.
 */
package dev.deftchisel.repair.syntax.candidate;
