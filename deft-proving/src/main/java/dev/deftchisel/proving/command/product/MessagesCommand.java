package dev.deftchisel.proving.command.product;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.message.RandomMessages;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Does the language server survive whatever it is sent? */
@Command(name = "messages", mixinStandardHelpOptions = true,
        description = "Sends random messages to the language server, half of them nonsense, while files are typed in.")
public final class MessagesCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--count", description = "how many (${DEFAULT-VALUE})")
    private int count = 1000;

    @Option(names = "--open", description = "how many files are open (${DEFAULT-VALUE})")
    private int open = 5;

    @Option(names = "--seed", description = "decides the messages (${DEFAULT-VALUE})")
    private long seed = 1;

    @Override
    public Integer call() throws IOException, InterruptedException {
        LogManager.getLogManager().reset();
        boolean passed = true;
        for (Corpus copy : corpora.copies()) {
            List<Path> files;
            try (Chisel chisel = Chisel.open(copy.request(), Monitor.SILENT)) {
                files = new ArrayList<>(chisel.snapshot().files().stream().map(SourceFile::path).toList());
            }
            Collections.shuffle(files, new Random(seed));
            long start = System.nanoTime();
            RandomMessages.Result result = new RandomMessages(files.subList(0, Math.min(open, files.size())), seed)
                    .send(copy.request().folder(), count);
            System.out.printf("%s: %d messages in %d s; answers %s; wrong: %d%n", copy.name(), count,
                    (System.nanoTime() - start) / 1_000_000_000, result.answers(), result.wrong().size());
            result.wrong().stream().distinct().limit(20).forEach(line -> System.out.println("  WRONG " + line));
            passed &= result.wrong().isEmpty();
        }
        return passed ? 0 : 1;
    }
}
