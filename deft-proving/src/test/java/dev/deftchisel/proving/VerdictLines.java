package dev.deftchisel.proving;

import dev.deftchisel.proving.trial.Verdict;
import java.util.List;
import java.util.stream.Collectors;

/** Verdicts as the samples compare them. */
final class VerdictLines {

    private VerdictLines() {
    }

    /** Those of a result, each with its number and reason, in the order of the text. */
    static String of(List<Verdict> verdicts, Verdict.Result result) {
        return verdicts.stream()
                .filter(verdict -> verdict.result() == result)
                .map(verdict -> "#" + verdict.subject().number() + " " + verdict.subject().title() + verdict.oracle()
                .map(oracle -> ", " + oracle).orElse("")
                        + "\n    " + verdict.why().replace('\\', '/') + "\n")
                .sorted()
                .collect(Collectors.joining());
    }
}
