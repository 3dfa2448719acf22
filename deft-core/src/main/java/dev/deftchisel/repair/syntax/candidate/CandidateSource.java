package dev.deftchisel.repair.syntax.candidate;

import java.util.List;

/** Proposes changes of a text at the place where the parser gave up. */
public interface CandidateSource {

    /** What may have been meant; that it can be parsed is found out afterwards. */
    List<Candidate> candidates(BrokenText text);
}
