package dev.deftchisel.proving;

import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.report.HtmlReport;
import dev.deftchisel.proving.report.JsonReport;
import dev.deftchisel.proving.report.Summary;
import dev.deftchisel.proving.report.TableReport;
import dev.deftchisel.proving.trial.Reducer;
import dev.deftchisel.proving.trial.RenameTrials;
import dev.deftchisel.proving.trial.Settings;
import dev.deftchisel.proving.trial.Verdict;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import me.tongfei.progressbar.ProgressBar;
import me.tongfei.progressbar.ProgressBarBuilder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Random renames, judged by every oracle. */
@Command(name = "rename", mixinStandardHelpOptions = true,
        description = "Renames random symbols in copies of the corpora and has every oracle judge the result.")
final class RenameCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--count", description = "how many renames to try, in all corpora together (${DEFAULT-VALUE})")
    private int count = 100;

    @Option(names = "--seed", description = "makes a run repeatable (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--only", paramLabel = "NUMBER", description = "only this trial of the run")
    private Integer only;

    @Option(names = "--batch", description = "how many renames are compiled together (${DEFAULT-VALUE})")
    private int batch = 20;

    @Option(names = "--clashing", paramLabel = "PERCENT",
            description = "how many new names are taken from the same file, so that clashes are likely (${DEFAULT-VALUE})")
    private int clashing = 10;

    @Option(names = "--skip", paramLabel = "KIND", description = "leave this kind of symbol alone; repeatable")
    private Set<SymbolKind> skipped = Set.of();

    @Option(names = "--check-refusals", description = "force what the guard refuses through, to see whether it was right")
    private boolean checkRefusals;

    @Option(names = "--deft", paramLabel = "LAUNCHER", description = "the command that must print the same, asked now and then")
    private Path launcher;

    @Option(names = "--reduce", paramLabel = "MOST",
            description = "how many failures of a corpus are reduced to the fewest files (${DEFAULT-VALUE})")
    private int mostReduced = 2;

    @Option(names = "--report", paramLabel = "DIR", description = "write report.json and report.html there")
    private Path report;

    @Override
    public Integer call() throws IOException {
        List<Corpus> copies = corpora.copies();
        List<Verdict> verdicts = new ArrayList<>();
        int share = only != null ? 1 : (count + copies.size() - 1) / copies.size();
        try (ProgressBar bar = new ProgressBarBuilder().setTaskName("renaming").setInitialMax((long) share * copies.size())
                .setUpdateIntervalMillis(1000).hideEta().build()) {
            for (Corpus copy : copies) {
                Settings settings = new Settings(seed, only != null ? only : 0, share, batch, clashing, skipped,
                        checkRefusals, Optional.ofNullable(launcher));
                verdicts.addAll(new RenameTrials(copy, settings, verdict -> fell(verdict, bar)).run());
            }
        }
        Summary summary = new Summary(verdicts);
        new TableReport(System.out, this::repeat).print(summary);
        for (Corpus copy : copies) {
            reduce(copy, verdicts);
        }
        if (report != null) {
            Files.createDirectories(report);
            new JsonReport().write(summary, report.resolve("report.json"));
            new HtmlReport(this::repeat).write("Renames on code nobody here wrote", summary, report.resolve("report.html"));
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

    private void reduce(Corpus copy, List<Verdict> verdicts) {
        verdicts.stream()
                .filter(verdict -> verdict.result() == Verdict.Result.FAILED && verdict.corpus().equals(copy.name()))
                .limit(mostReduced)
                .forEach(verdict -> System.out.println("#" + verdict.subject().number() + " " + new Reducer(copy).reduce(verdict)
                        .map(reduced -> "fails with " + reduced.files().size() + " files too, in " + reduced.folder()
                                + ": " + reduced.files())
                        .orElse("does not fail alone")));
    }

    private String repeat(Verdict verdict) {
        StringBuilder command = new StringBuilder("./deft-proving/prove rename ").append(corpora.words(verdict.corpus()))
                .append(" --seed ").append(seed).append(" --only ").append(verdict.subject().number())
                .append(" --clashing ").append(clashing);
        skipped.forEach(kind -> command.append(" --skip ").append(kind));
        return command + (checkRefusals ? " --check-refusals" : "");
    }
}
