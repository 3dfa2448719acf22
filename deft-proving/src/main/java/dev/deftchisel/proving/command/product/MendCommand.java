package dev.deftchisel.proving.command.product;

import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.mend.Mended;
import dev.deftchisel.proving.option.CorpusOptions;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import me.tongfei.progressbar.ProgressBar;
import me.tongfei.progressbar.ProgressBarBuilder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Does what is offered first at an error mend it? */
@Command(name = "mend", mixinStandardHelpOptions = true,
        description = "Breaks random code in memory and takes the fixes that are offered at the first error.")
public final class MendCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--count", description = "how many to try, in each corpus (${DEFAULT-VALUE})")
    private int count = 90;

    @Option(names = "--seed", description = "makes a run repeatable (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--verbose", description = "tell each that the first fix does not mend")
    private boolean verbose;

    @Override
    public Integer call() {
        List<Mended.Result> results = new ArrayList<>();
        List<Corpus> originals = corpora.originals();
        try (ProgressBar bar = new ProgressBarBuilder().setTaskName("mending")
                .setInitialMax((long) count * originals.size())
                .setUpdateIntervalMillis(1000).hideEta().build()) {
            for (Corpus corpus : originals) {
                results.addAll(new Mended(corpus, seed, result -> bar.step()).run(count));
            }
        }
        System.out.printf("%-12s %6s %8s %8s%n", "", "tried", "by 1st", "by 1-3");
        Map<String, List<Mended.Result>> byKind = results.stream()
                .collect(Collectors.groupingBy(Mended.Result::kind, TreeMap::new, Collectors.toList()));
        byKind.forEach((kind, own) -> row(kind.toLowerCase(Locale.ROOT), own));
        row("all", results);
        if (verbose) {
            results.stream().filter(result -> result.fix() != 1).forEach(result -> System.out.println(result.fix() + " "
                    + result.kind().toLowerCase(Locale.ROOT) + " " + result.place() + " " + result.error() + ": "
                    + result.words()));
        }
        return 0;
    }

    private static void row(String name, List<Mended.Result> results) {
        long first = results.stream().filter(result -> result.fix() == 1).count();
        long some = results.stream().filter(result -> result.fix() > 0).count();
        System.out.printf("%-12s %6d %7.1f%% %7.1f%%%n", name, results.size(),
                100.0 * first / Math.max(1, results.size()),
                100.0 * some / Math.max(1, results.size()));
    }
}
