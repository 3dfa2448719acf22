package dev.deftchisel.proving.command.product;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.message.Conformance;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.logging.LogManager;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** What of the protocol does the language server speak, and how long does a client wait for each answer? */
@Command(name = "conformance", mixinStandardHelpOptions = true,
        description = "Sends every request of the protocol to the language server, from a client that can do "
        + "everything and from one that can do nothing, and writes a table of the answers and their times.")
public final class ConformanceCommand implements Callable<Integer> {

    private static final int MICROS = 1000;

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--rounds", description = "how often each request is timed (${DEFAULT-VALUE})")
    private int rounds = 20;

    @Option(names = "--lines", description = "about how long the file is that is typed in (${DEFAULT-VALUE})")
    private int lines = 500;

    @Option(names = "--seed", description = "decides the places (${DEFAULT-VALUE})")
    private long seed = 1;

    @Override
    public Integer call() throws IOException, InterruptedException, ExecutionException {
        LogManager.getLogManager().reset();
        for (Corpus corpus : corpora.originals()) {
            SourceFile open;
            int files;
            try (Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
                files = chisel.snapshot().files().size();
                open = chisel.snapshot().files().stream().filter(file -> file.outline().bodies().size() > 2)
                        .min(Comparator.comparingInt(file -> Math.abs(file.lines().count() - lines))).orElseThrow();
            }
            List<Conformance.Row> all = Conformance.ask(corpus.request().folder(), Conformance.allAbilities(), open,
                    rounds, seed);
            List<Conformance.Row> none = Conformance.ask(corpus.request().folder(), "{}", open, 1, seed);
            System.out.printf("In %s, %d files, typing in %s of %d lines; times in milliseconds.%n%n", corpus.name(),
                    files, open.path().getFileName(), open.lines().count());
            System.out.println("| method | claimed | answers | without abilities | median | longest | after a key | "
                    + "longest |");
            System.out.println("|---|---|---|---|---|---|---|---|");
            for (int i = 0; i < all.size(); i++) {
                System.out.println(row(all.get(i), none.get(i)));
            }
        }
        return 0;
    }

    private static String row(Conformance.Row all, Conformance.Row none) {
        String times = all.warm().isEmpty() || !all.isClaimed() ? "| | | |" : "%s | %s | %s | %s |".formatted(
                millis(all.warmMedian()), millis(all.warmLongest()), millis(all.afterKeyMedian()),
                millis(all.afterKeyLongest()));
        return "| `%s` | %s | %s | %s | %s".formatted(all.method().name(), all.isClaimed() ? "yes" : "no",
                answers(all.answers()), (none.isClaimed() ? "" : "not claimed ") + answers(none.answers()), times);
    }

    private static String answers(Map<String, Integer> answers) {
        return answers.entrySet().stream().map(entry -> entry.getValue() + " " + entry.getKey())
                .collect(Collectors.joining(", "));
    }

    private static String millis(long micros) {
        return micros < MICROS ? "<1" : String.valueOf((micros + MICROS / 2) / MICROS);
    }
}
