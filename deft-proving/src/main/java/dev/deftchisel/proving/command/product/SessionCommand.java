package dev.deftchisel.proving.command.product;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.message.EditingSession;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.logging.LogManager;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Does the language server stay well while somebody works in it for hours? */
@Command(name = "session", mixinStandardHelpOptions = true,
        description = "Works in the language server key by key, faster than anybody types, with all that a client asks "
        + "after each key and takes back, and looks at errors and memory.")
public final class SessionCommand implements Callable<Integer> {

    private static final int STEPS = 12;
    private static final int FILES = 30;

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--minutes", description = "how long (${DEFAULT-VALUE})")
    private int minutes = STEPS;

    @Option(names = "--speed", description = "how often faster than 200 keys a minute (${DEFAULT-VALUE})")
    private int speed = 10;

    @Option(names = "--seed", description = "decides the places (${DEFAULT-VALUE})")
    private long seed = 1;

    @Override
    public Integer call() throws IOException, InterruptedException, ExecutionException {
        LogManager.getLogManager().reset();
        int wrong = 0;
        for (Corpus corpus : corpora.originals()) {
            List<SourceFile> files;
            try (Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
                files = new ArrayList<>(chisel.snapshot().files().stream()
                        .filter(file -> !file.outline().bodies().isEmpty()).toList());
            }
            Collections.shuffle(files, new Random(seed));
            EditingSession.Result result = EditingSession.work(corpus.request().folder(),
                    files.subList(0, Math.min(FILES, files.size())), minutes, speed, STEPS, seed);
            System.out.printf("%s: %d keys in %d minutes; %d requests answered, %d taken back, without an answer %s; "
                    + "errors %s; MB in use after each twelfth: %s%n", corpus.name(), result.keys(), minutes,
                    result.answered(), result.taken(), result.silent(), result.errors(), result.memory());
            wrong += result.silent().size() + result.errors().size();
        }
        return wrong == 0 ? 0 : 1;
    }
}
