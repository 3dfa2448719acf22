package dev.deftchisel.proving;

import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.maven.Artifacts;
import dev.deftchisel.proving.compiled.TestSuite;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusException;
import dev.deftchisel.proving.trial.SuiteTrial;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Do the tests of the code itself still pass? */
@Command(name = "suite", mixinStandardHelpOptions = true,
        description = "Applies renames one after the other and runs the corpus's own test suite before and after.")
final class SuiteCommand implements Callable<Integer> {

    private static final String CONSOLE = "org.junit.platform:junit-platform-console-standalone:1.13.4";

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--count", description = "how many renames (${DEFAULT-VALUE})")
    private int count = 20;

    @Option(names = "--seed", description = "makes a run repeatable (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--skip", paramLabel = "KIND", description = "leave this kind of symbol alone; repeatable. Tests that"
            + " name classes or packages in strings cannot pass once those are renamed")
    private Set<SymbolKind> skipped = Set.of();

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path console = Artifacts.open(true).find(CONSOLE).orElseThrow(() ->
                new CorpusException(CONSOLE + " is not on this machine and cannot be fetched; is the network there?"));
        boolean passed = true;
        for (Corpus copy : corpora.copies()) {
            SuiteTrial.Result result = new SuiteTrial(copy, new TestSuite(console)).run(count, seed, skipped);
            result.titles().forEach(title -> System.out.println("  " + title));
            System.out.printf("%s: %d of %d tests pass after %d renames, %d of %d before%n", copy.name(),
                    result.after().passed(), result.after().found(), result.titles().size(),
                    result.before().passed(), result.before().found());
            result.after().failed().stream().filter(test -> !result.before().failed().contains(test))
                    .forEach(test -> System.out.println("  FAILED " + test));
            passed &= result.isPassed();
        }
        return passed ? 0 : 1;
    }
}
