package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.Chisel;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.proving.option.TrialOptions;
import dev.deftchisel.proving.subject.TypeSubjects;
import dev.deftchisel.proving.trial.Oracles;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Random types get members. */
@Command(name = GenerateCommand.WHAT, mixinStandardHelpOptions = true,
        description = "Generates members of random types in copies of the corpora and has every oracle judge the "
        + "result.")
public final class GenerateCommand implements Callable<Integer> {

    static final String WHAT = "generate";

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Option(names = "--operation", description = "only this one, such as generate-equality")
    private String operation = "";

    @Override
    public Integer call() throws IOException {
        List<Operation> operations = Chisel.operations().stream()
                .filter(one -> operation.isEmpty() ? one.id().startsWith(WHAT) || one.id().startsWith("implement")
                        : one.id()
                .equals(operation))
                .toList();
        return options.run(WHAT, () -> operation.isEmpty() ? "" : " --operation " + operation, Oracles.ofGeneration(),
                analyst -> new TypeSubjects(analyst, options.draw(), operations), false);
    }
}
