package dev.deftchisel.proving.command.product;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.message.AnswerTimes;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.util.Comparator;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.logging.LogManager;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** How long does an editor wait for the language server? */
@Command(name = "answers", mixinStandardHelpOptions = true,
        description = "Times the answers of the language server over the wire, with one file of about 2,000 lines "
        + "open and typed in.")
public final class AnswersCommand implements Callable<Integer> {

    private static final int USERS = 30;

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--rounds", description = "how often each is asked, and as often before that (${DEFAULT-VALUE})")
    private int rounds = 40;

    @Option(names = "--seed", description = "decides the places (${DEFAULT-VALUE})")
    private long seed = 1;

    @Override
    public Integer call() throws IOException, InterruptedException, ExecutionException {
        LogManager.getLogManager().reset();
        for (Corpus copy : corpora.copies()) {
            SourceFile open;
            SourceFile renamed;
            try (Chisel chisel = Chisel.open(copy.request(), Monitor.SILENT)) {
                open = PaceCommand.open(chisel);
                renamed = chisel.snapshot().files().stream()
                        .filter(file -> file.header().types().size() == 1 && !file.equals(open))
                        .min(Comparator.comparingInt(file -> Math.abs(
                                chisel.snapshot().mentioning(Set.of(file.header().types().get(0))).size() - USERS)))
                        .orElseThrow();
            }
            AnswerTimes.Times times = AnswerTimes.measure(copy.request().folder(), open, renamed, rounds, seed);
            System.out.printf("%s, open: %s (%d lines), renamed: %s, %d changes%n", copy.name(), open.path()
                    .getFileName(),
                    open.lines().count(), renamed.path().getFileName(), times.typed());
            times.byWhat().forEach((what, all) -> System.out.printf("%36s  median %5d ms, longest %5d ms%n", what,
                    SpeedCommand.median(all, Long::longValue), all.get(all.size() - 1)));
            System.out.printf("%36s  %d MB, then %d MB%n", "in use", times.memory().get(0), times.memory().get(1));
        }
        return 0;
    }
}
