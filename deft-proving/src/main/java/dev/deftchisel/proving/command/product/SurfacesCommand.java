package dev.deftchisel.proving.command.product;

import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.proving.surface.SameEverywhere;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Does an operation give the same bytes wherever it is taken? */
@Command(name = "surfaces", mixinStandardHelpOptions = true,
        description = "Takes offers at random places through library, command line, language server and screen, and "
        + "compares the files.")
public final class SurfacesCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--each", description = "how many of each operation at most (${DEFAULT-VALUE})")
    private int each = 3;

    @Option(names = "--places", description = "at how many places it is looked for them (${DEFAULT-VALUE})")
    private int places = 1000;

    @Option(names = "--seed", description = "decides the places (${DEFAULT-VALUE})")
    private long seed = 1;

    @Override
    public Integer call() throws IOException, InterruptedException {
        LogManager.getLogManager().reset();
        boolean passed = true;
        for (Corpus copy : corpora.copies()) {
            // an editor can only name the folder, so all surfaces are told no more than that
            Corpus plain = new Corpus(copy.name(), OpenRequest.at(copy.request().folder()));
            SameEverywhere.Result result = new SameEverywhere(plain, seed).run(each, places);
            System.out.printf("%s: %d offers of %d operations, each through four surfaces; wrong: %d%n  %s%n",
                    copy.name(),
                    result.taken().values().stream().mapToInt(Integer::intValue).sum(), result.taken()
                    .size(), result.wrong().size(),
                    result.taken());
            result.wrong().stream().limit(30).forEach(line -> System.out.println("  WRONG " + line));
            passed &= result.wrong().isEmpty();
        }
        return passed ? 0 : 1;
    }
}
