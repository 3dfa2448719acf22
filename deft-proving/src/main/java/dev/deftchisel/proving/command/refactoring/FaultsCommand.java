package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.fault.FaultTrials;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.proving.program.Program;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import me.tongfei.progressbar.ProgressBar;
import me.tongfei.progressbar.ProgressBarBuilder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Is the guard worth it? */
@Command(name = "faults", mixinStandardHelpOptions = true,
        description = "Plants faults in correct changes and counts how many of those that change class files the "
        + "guard catches.")
public final class FaultsCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--program", description = "only this one")
    private String only = "";

    @Option(names = "--processed", description = "in the programs with annotation processors instead of libraries")
    private boolean processed;

    @Option(names = "--signatures", description = "in changes of signatures instead of renames")
    private boolean signatures;

    @Option(names = "--moves", description = "in moves of types instead of renames")
    private boolean moves;

    @Option(names = "--count", description = "in how many changes, in each corpus (${DEFAULT-VALUE})")
    private int count = 20;

    @Option(names = "--seed", description = "makes a run repeatable (${DEFAULT-VALUE})")
    private long seed = 1;

    /** With the processors that each has. */
    private List<Corpus> programs() throws IOException {
        List<Corpus> copies = new ArrayList<>();
        for (Program program : Program.all()) {
            if (!program.processors().isEmpty() && (only.isEmpty() || program.name().equals(only))) {
                Path sources = Files.createTempDirectory("prove-" + program.name()).toRealPath();
                program.writeTo(sources);
                copies.add(new Corpus(program.name(), program.opened(sources)));
            }
        }
        return copies;
    }

    @Override
    public Integer call() throws IOException {
        List<Corpus> copies = processed ? programs() : corpora.copies();
        Map<String, FaultTrials.Tally> all = new LinkedHashMap<>();
        try (ProgressBar bar = new ProgressBarBuilder().setTaskName("planting")
                .setInitialMax((long) count * copies.size())
                .setUpdateIntervalMillis(1000).hideEta().build()) {
            for (Corpus copy : copies) {
                FaultTrials.Damaged damaged = signatures ? FaultTrials.Damaged.SIGNATURES
                        : moves ? FaultTrials.Damaged.MOVES : FaultTrials.Damaged.RENAMES;
                new FaultTrials(copy, damaged, seed, processed ? CompiledCode::processed : CompiledCode::of,
                        bar::step).run(count).forEach((fault, tally) ->
                        all.merge(fault, tally, FaultTrials.Tally::plus));
            }
        }
        System.out.printf("%-30s %8s %8s %8s%n", "fault", "planted", "harmful", "caught");
        all.forEach((fault, tally) -> System.out.printf(
                "%-30s %8d %8d %8d%n", fault, tally.planted(), tally.harmful(), tally.caught()));
        List<String> escaped = all.values().stream().flatMap(tally -> tally.escaped().stream()).toList();
        escaped.forEach(what -> System.out.println("ESCAPED " + what));
        System.out.println(escaped.isEmpty() ? "none escaped" : escaped.size() + " escaped");
        return escaped.isEmpty() ? 0 : 1;
    }
}
