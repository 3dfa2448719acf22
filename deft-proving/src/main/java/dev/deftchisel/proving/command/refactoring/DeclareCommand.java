package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.declare.Redeclared;
import dev.deftchisel.proving.option.CorpusOptions;
import java.io.IOException;
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

/** Does a declaration that is made from a use fit the other uses? */
@Command(name = "declare", mixinStandardHelpOptions = true,
        description = "Takes random members away in memory and declares them again from a use.")
public final class DeclareCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--count", description = "how many to try, in each corpus (${DEFAULT-VALUE})")
    private int count = 100;

    @Option(names = "--seed", description = "makes a run repeatable (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--verbose", description = "tell each that does not compile again")
    private boolean verbose;

    @Override
    public Integer call() throws IOException {
        List<Redeclared.Result> results = new ArrayList<>();
        List<Corpus> copies = corpora.copies();
        try (ProgressBar bar = new ProgressBarBuilder().setTaskName("declaring")
                .setInitialMax((long) count * copies.size())
                .setUpdateIntervalMillis(1000).hideEta().build()) {
            for (Corpus copy : copies) {
                results.addAll(new Redeclared(copy, seed, result -> bar.step()).run(count));
            }
        }
        Map<Redeclared.End, Long> ends = results.stream()
                .collect(Collectors.groupingBy(Redeclared.Result::end, TreeMap::new, Collectors.counting()));
        ends.forEach((end, number) -> System.out.printf("%-10s %6d%n", end.name().toLowerCase(Locale.ROOT), number));
        if (verbose) {
            results.stream().filter(result -> result.end() != Redeclared.End.COMPILES)
                    .forEach(result -> System.out.println(result.end() + " " + result.member() + ": " + result.why()));
        }
        return 0;
    }
}
