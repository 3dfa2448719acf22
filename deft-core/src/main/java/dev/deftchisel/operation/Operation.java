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
     * Whether and as what it can be done at a place. Asked at every move of a caret, of all operations, so it must be
     * quick: it looks at nothing but the analysis of the place, and starts no other. May be called from any thread,
     * for several places at a time. Throws nothing; what it cannot tell is no offer.
     *
     * @param resolved the place with its meaning
     * @return empty where it cannot be done or where that is not known without a closer look
     */
    Optional<Offer> offer(ResolvedPlace resolved);

    /**
     * Plans the change. May take its time and have code analysed; may be called from any thread, and where it was not
     * offered. What is not possible is returned as a refusal, with the place and the reason. Nothing is written.
     *
     * @param resolved where it is to be done
     * @param answers  to its questions; those that are missing take their default
     * @param analyst  for whatever else needs to be looked at
     * @throws java.util.concurrent.CancellationException when the analyst's monitor stops the work
     * @throws dev.deftchisel.analysis.compiler.AnalysisException when the code cannot be analysed at all
     */
    Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst);

    /**
     * Called when the guard finds differences: a chance to keep the meaning by further edits, such as a qualifier. At
     * most four times for one change; on the same thread as {@link #plan}.
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
