package dev.deftchisel.proving.trial;

import dev.deftchisel.proving.subject.Subject;
import java.util.Optional;

/**
 * What came of one trial.
 *
 * @param corpus        name of the corpus
 * @param subject       what was to be done
 * @param result        what came of it
 * @param why           the reason of a refusal, or what an oracle found; empty when applied
 * @param oracle        the oracle that failed
 * @param offerMillis   how long the offers at the place took
 * @param previewMillis how long the preview took
 */
public record Verdict(
        String corpus,
        Subject subject,
        Result result,
        String why,
        Optional<String> oracle,
        long offerMillis,
        long previewMillis) {

    /** What can come of a trial. */
    public enum Result { APPLIED, REFUSED, FAILED }

    Verdict failed(String failedOracle, String what) {
        return new Verdict(corpus, subject, Result.FAILED, what, Optional.of(failedOracle), offerMillis, previewMillis);
    }
}
