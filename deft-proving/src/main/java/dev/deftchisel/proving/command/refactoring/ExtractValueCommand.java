package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.proving.option.TrialOptions;
import dev.deftchisel.proving.subject.ExpressionSubjects;
import dev.deftchisel.proving.trial.Oracles;
import java.io.IOException;
import java.util.Random;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Random expressions become fields or parameters. */
@Command(name = "extract-value", mixinStandardHelpOptions = true,
        description = "Makes random expressions in copies of the corpora fields or parameters and has every oracle "
        + "judge the result.")
public final class ExtractValueCommand implements Callable<Integer> {

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Option(names = "--fields", description = "fields instead of parameters")
    private boolean fields;

    @Override
    public Integer call() throws IOException {
        return options.run("extract-value", () -> fields ? " --fields" : "", Oracles.ofReshaping(),
                analyst -> new ExpressionSubjects(analyst, options.draw(), fields ? "extract-field"
                        : "extract-parameter", true), false);
    }
}
