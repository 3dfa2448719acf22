package dev.deftchisel.proving;

import dev.deftchisel.proving.trial.ExpressionSubjects;
import dev.deftchisel.proving.trial.Oracles;
import java.io.IOException;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Random expressions are given a name. */
@Command(name = ExtractVariableCommand.OPERATION, mixinStandardHelpOptions = true,
        description = "Gives random expressions in copies of the corpora a name and has every oracle judge the result.")
final class ExtractVariableCommand implements Callable<Integer> {

    static final String OPERATION = "extract-variable";

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Override
    public Integer call() throws IOException {
        return options.run(OPERATION, () -> "", Oracles.ofReshaping(),
                analyst -> new ExpressionSubjects(analyst, options.seed(), OPERATION), false);
    }
}
