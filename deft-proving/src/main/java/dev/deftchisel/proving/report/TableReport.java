package dev.deftchisel.proving.report;

import dev.deftchisel.proving.trial.Verdict;
import java.io.PrintStream;
import java.util.function.Function;
import java.util.function.ToLongFunction;

/** Prints a summary for people at a terminal. */
public final class TableReport {

    /** How soon offers must be there in a process that is warm. */
    static final long OFFER_LIMIT_MILLIS = 150;
    private static final String ROW = "%-20s %7s %8s %8s %7s%n";

    private final PrintStream out;
    private final Function<Verdict, String> repeat;

    /** @param repeat the command that repeats a trial alone */
    public TableReport(PrintStream out, Function<Verdict, String> repeat) {
        this.out = out;
        this.repeat = repeat;
    }

    /** Prints everything. */
    public void print(Summary summary) {
        out.printf(ROW, "", "tried", "applied", "refused", "failed");
        summary.rows().forEach(this::row);
        if (summary.byCorpus().size() > 1) {
            out.println();
            summary.byCorpus().forEach(this::row);
        }
        out.println();
        summary.refusals().forEach((reason, count) -> out.printf("%6d refused: %s%n", count, reason));
        out.printf("offers  %s, %d over %d ms%n", times(summary, Verdict::offerMillis),
                summary.offersOver(OFFER_LIMIT_MILLIS), OFFER_LIMIT_MILLIS);
        out.printf("preview %s%n", times(summary, Verdict::previewMillis));
        summary.verdicts().stream().filter(verdict -> verdict.result() == Verdict.Result.FAILED).forEach(this::failure);
        long failed = summary.failures().values().stream().mapToLong(Long::longValue).sum();
        out.println(failed == 0 ? "no oracle failed" : failed + (failed == 1 ? " failure" : " failures"));
    }

    private void row(Summary.Row row) {
        out.printf(ROW, row.name(), row.tried(), row.applied(), row.refused(), row.failed());
    }

    static String times(Summary summary, ToLongFunction<Verdict> time) {
        return "median %d ms, 90 %% within %d ms, 99 %% within %d ms, longest %d ms".formatted(
                summary.percentile(time, 0.5), summary.percentile(time, 0.9), summary.percentile(time, 0.99),
                summary.percentile(time, 1));
    }

    private void failure(Verdict verdict) {
        out.printf("FAILED %s #%d: %s%n  oracle: %s%n  found:  %s%n  again:  %s%n", verdict.corpus(),
                verdict.subject().number(), verdict.subject().title(),
                verdict.oracle().orElse(""), verdict.why(), repeat.apply(verdict));
    }
}
