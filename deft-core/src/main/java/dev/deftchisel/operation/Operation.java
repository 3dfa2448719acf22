package dev.deftchisel.operation;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import java.util.List;
import java.util.Optional;

/**
 * One thing that can be done to code. Implementations have no state and a public constructor without parameters, and
 * are listed as services; every surface then offers them with their questions as options.
 */
public interface Operation {

    /** The term of the trade in kebab-case, unique among operations; also the name of the command. */
    String id();

    /** What it does, in one sentence for a list of commands. */
    String summary();

    /** Everything it may ask, independent of a place; an offer may ask less, and knows current values. */
    List<Question> questions();

    /**
     * Whether and as what it can be done at a spot. Must be quick: nothing but the spot's analysis is looked at.
     *
     * @param resolved the place with its meaning
     */
    Optional<Offer> offer(ResolvedPlace resolved);

    /**
     * Works out the change.
     *
     * @param resolved    where it was offered
     * @param answers to its questions; those that are missing take their standard
     * @param analyst for whatever else needs to be looked at
     */
    Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst);

    /**
     * Called when the guard finds differences: a chance to keep the meaning by further edits, such as a qualifier.
     *
     * @param change      as it was judged
     * @param differences what the guard found
     * @param before      the analysis it was planned with
     * @return a better change, judged anew; empty when there is none
     */
    default Optional<Change> mend(Change change, List<Difference> differences, Analysis before) {
        return Optional.empty();
    }
}
