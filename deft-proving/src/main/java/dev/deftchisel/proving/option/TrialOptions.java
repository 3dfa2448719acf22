package dev.deftchisel.proving.option;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.report.HtmlReport;
import dev.deftchisel.proving.report.JsonReport;
import dev.deftchisel.proving.report.Summary;
import dev.deftchisel.proving.report.TableReport;
import dev.deftchisel.proving.subject.Draw;
import dev.deftchisel.proving.subject.Subjects;
import dev.deftchisel.proving.trial.Oracles;
import dev.deftchisel.proving.trial.Reducer;
import dev.deftchisel.proving.trial.TrialSettings;
import dev.deftchisel.proving.trial.Trials;
import dev.deftchisel.proving.trial.Verdict;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import me.tongfei.progressbar.ProgressBar;
import me.tongfei.progressbar.ProgressBarBuilder;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** What the commands that try an operation many times have in common, and the run itself. */
public final class TrialOptions {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--count", description = "how many to try, in all corpora together (${DEFAULT-VALUE})")
    private int count = 100;

    @Option(names = "--seed", description = "makes a run repeatable (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--least-lines", description = "only in files of so many lines or more")
    private int leastLines;

    @Option(names = "--most-lines", description = "only in files of so many lines or fewer")
    private int mostLines = Integer.MAX_VALUE;

    @Option(names = "--only", paramLabel = "NUMBER", description = "only this trial of the run")
    private Integer only;

    @Option(names = "--batch", description = "how many changes are compiled together (${DEFAULT-VALUE})")
    private int batch = 20;

    @Option(names = "--deft", paramLabel = "LAUNCHER",
            description = "the command that must print the same, asked now and then")
    private Path launcher;

    @Option(names = "--reduce", paramLabel = "MOST",
            description = "how many failures of a corpus are reduced to the fewest files (${DEFAULT-VALUE})")
    private int mostReduced = 2;

    @Option(names = "--report", paramLabel = "DIR", description = "write report.json and report.html there")
    private Path report;

    /** Which files are drawn, and how. */
    public Draw draw() {
        return new Draw(seed, leastLines, mostLines);
    }

    /**
     * Runs and reports.
     *
     * @param command       its words up to the corpus
     * @param more          its options that are not these
     * @param oracles       who judges
     * @param subjects      what is tried
     * @param checkRefusals whether refusals of the guard are forced through
     * @return the exit code: 1 when an oracle failed
     */
    public int run(String command, Supplier<String> more, Oracles oracles, Function<Analyst, Subjects> subjects,
            boolean checkRefusals) throws IOException {
        List<Corpus> copies = corpora.copies();
        List<Verdict> verdicts = new ArrayList<>();
        int share = only != null ? 1 : (count + copies.size() - 1) / copies.size();
        try (ProgressBar bar = new ProgressBarBuilder().setTaskName(command).setInitialMax((long) share * copies.size())
                .setUpdateIntervalMillis(1000).hideEta().build()) {
            for (Corpus copy : copies) {
                TrialSettings settings = new TrialSettings(seed, only != null ? only : 0, share, batch, checkRefusals,
                        Optional.ofNullable(launcher));
                verdicts.addAll(new Trials(copy, settings, oracles, subjects, verdict -> fell(verdict, bar)).run());
            }
        }
        Summary summary = new Summary(verdicts);
        Function<Verdict, String> repeat = verdict -> "./deft-proving/prove " + command + " "
                + corpora.words(verdict.corpus())
                + " --seed " + seed + " --only " + verdict.subject().number() + more.get();
        new TableReport(System.out, repeat).print(summary);
        for (Corpus copy : copies) {
            reduce(copy, oracles, verdicts);
        }
        if (report != null) {
            Files.createDirectories(report);
            new JsonReport().write(summary, report.resolve("report.json"));
            new HtmlReport(repeat).write("'" + command + "' on code nobody here wrote", summary,
                    report.resolve("report.html"));
        }
        return summary.failures().isEmpty() ? 0 : 1;
    }

    /** A failure is told at once: the rest of the run may take long. */
    private static void fell(Verdict verdict, ProgressBar bar) {
        bar.step();
        if (verdict.result() == Verdict.Result.FAILED) {
            System.err.printf("%nFAILED %s #%d %s: %s%n", verdict.corpus(), verdict.subject().number(),
                    verdict.oracle().orElse(""), verdict.why());
        }
    }

    private void reduce(Corpus copy, Oracles oracles, List<Verdict> verdicts) {
        verdicts.stream()
                .filter(verdict -> verdict.result() == Verdict.Result.FAILED && verdict.corpus().equals(copy.name()))
                .limit(mostReduced)
                .forEach(verdict -> System.out.println("#" + verdict.subject().number() + " "
                        + new Reducer(copy, oracles).reduce(verdict)
                        .map(reduced -> "fails with " + reduced.files().size() + " files too, in " + reduced.folder()
                                + ": " + reduced.files())
                        .orElse("does not fail alone")));
    }
}
