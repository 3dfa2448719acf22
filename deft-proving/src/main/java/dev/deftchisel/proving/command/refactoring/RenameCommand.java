package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.proving.option.TrialOptions;
import dev.deftchisel.proving.subject.RenameSubjects;
import dev.deftchisel.proving.trial.Oracles;
import java.io.IOException;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Random renames, judged by every oracle. */
@Command(name = "rename", mixinStandardHelpOptions = true,
        description = "Renames random symbols in copies of the corpora and has every oracle judge the result.")
public final class RenameCommand implements Callable<Integer> {

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Option(names = "--clashing", paramLabel = "PERCENT",
            description = "how many new names are taken from the same file, so that clashes are likely "
            + "(${DEFAULT-VALUE})")
    private int clashing = 10;

    @Option(names = "--skip", paramLabel = "KIND", description = "leave this kind of symbol alone; repeatable")
    private Set<SymbolKind> skipped = Set.of();

    @Option(names = "--check-refusals", description =
            "force what the guard refuses through, to see whether it was right")
    private boolean checkRefusals;

    @Override
    public Integer call() throws IOException {
        return options.run("rename", this::words, Oracles.ofRename(),
                analyst -> new RenameSubjects(analyst, options.draw(), clashing, skipped), checkRefusals);
    }

    private String words() {
        return " --clashing " + clashing
                + skipped.stream().map(kind -> " --skip " + kind).collect(Collectors.joining())
                + (checkRefusals ? " --check-refusals" : "");
    }
}
