package dev.deftchisel.proving;

import dev.deftchisel.analysis.SymbolKind;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Random renames in a workspace, judged by the compiler. */
@Command(name = "rename", mixinStandardHelpOptions = true,
        description = "Renames random symbols in a workspace that may be written to, and judges the result.")
final class RenameCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpus = new CorpusOptions();

    @Option(names = "--count", description = "how many renames to try (${DEFAULT-VALUE})")
    private int count = 100;

    @Option(names = "--seed", description = "makes a run repeatable (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--batch", description = "how many renames are judged together (${DEFAULT-VALUE})")
    private int batch = 10;

    @Option(names = "--clashing", description = "take new names from the file, so that clashes are likely")
    private boolean clashing;

    @Option(names = "--keep", description = "leave the workspace renamed, for its own tests to be run, instead of undoing")
    private boolean keep;

    @Option(names = "--skip", paramLabel = "KIND", description = "leave this kind of symbol alone; repeatable. Tests that"
            + " name their own package in strings cannot pass once it is renamed")
    private Set<SymbolKind> skipped = Set.of();

    @Override
    public Integer call() {
        return new RandomRenames(corpus.request(), skipped, System.out).run(count, seed, batch, clashing, keep) ? 0 : 1;
    }
}
