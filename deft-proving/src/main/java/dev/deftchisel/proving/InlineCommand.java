package dev.deftchisel.proving;

import dev.deftchisel.proving.trial.Oracles;
import dev.deftchisel.proving.trial.VariableSubjects;
import java.io.IOException;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Random local variables give way to their values. */
@Command(name = InlineCommand.OPERATION, mixinStandardHelpOptions = true,
        description = "Inlines random local variables in copies of the corpora and has every oracle judge the result.")
final class InlineCommand implements Callable<Integer> {

    static final String OPERATION = "inline";

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Override
    public Integer call() throws IOException {
        return options.run(OPERATION, () -> "", Oracles.ofReshaping(),
                analyst -> new VariableSubjects(analyst, options.seed(), OPERATION), false);
    }
}
