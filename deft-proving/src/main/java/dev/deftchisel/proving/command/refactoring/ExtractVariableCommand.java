package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.proving.option.TrialOptions;
import dev.deftchisel.proving.subject.ExpressionSubjects;
import dev.deftchisel.proving.trial.Oracles;
import java.io.IOException;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Random expressions are given a name. */
@Command(name = ExtractVariableCommand.OPERATION, mixinStandardHelpOptions = true,
        description = "Gives random expressions in copies of the corpora a name and has every oracle judge the result.")
public final class ExtractVariableCommand implements Callable<Integer> {

    static final String OPERATION = "extract-variable";

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Option(names = "--as-they-come", description =
            "each expression is as likely as any other, rather than each kind of expression")
    private boolean asTheyCome;

    @Option(names = "--back", description = "inline each variable again, after which the class files must be equal")
    private boolean back;

    @Override
    public Integer call() throws IOException {
        return options.run(OPERATION, () -> (asTheyCome ? " --as-they-come" : "") + (back ? " --back" : ""), back
                ? Oracles.ofExtractionAndBack() : Oracles.ofReshaping(),
                analyst -> new ExpressionSubjects(analyst, options.draw(), OPERATION, !asTheyCome), false);
    }
}
