package dev.deftchisel.proving.command.product;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.message.Endurance;
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

/** Does the language server keep its memory over a long day? */
@Command(name = "endurance", mixinStandardHelpOptions = true,
        description = "Types in files and works actions out in the language server for a long time, and looks at its "
        + "memory.")
public final class EnduranceCommand implements Callable<Integer> {

    private static final int STEPS = 10;
    private static final int FILES = 20;

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--operations", description =
            "how many actions are asked for; ten letters are typed before each (${DEFAULT-VALUE})")
    private int operations = 100;

    @Option(names = "--seed", description = "decides the places (${DEFAULT-VALUE})")
    private long seed = 1;

    @Override
    public Integer call() throws IOException, InterruptedException, ExecutionException {
        LogManager.getLogManager().reset();
        for (Corpus copy : corpora.copies()) {
            List<SourceFile> files;
            try (Chisel chisel = Chisel.open(copy.request(), Monitor.SILENT)) {
                files = new ArrayList<>(chisel.snapshot().files().stream().filter(file -> !file.isModuleInfo())
                        .toList());
            }
            Collections.shuffle(files, new Random(seed));
            Endurance.Result result = new Endurance(seed)
                    .work(copy.request().folder(), files.subList(0, Math.min(FILES, files.size())),
                    operations, STEPS);
            System.out.printf("%s: %d operations, %d computed, %d of them refused, %d edits; MB in use after each "
                    + "tenth: %s%n",
                    copy.name(),
                    operations, result.worked(), result.refused(), result.edits(), result.memory());
        }
        return 0;
    }
}
