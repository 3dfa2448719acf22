package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.operation.Answers;
import dev.deftchisel.proving.option.TrialOptions;
import dev.deftchisel.proving.subject.ExpressionSubjects;
import dev.deftchisel.proving.subject.StatementSubjects;
import dev.deftchisel.proving.trial.Oracles;
import java.io.IOException;
import java.util.Random;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Random code becomes a method. */
@Command(name = ExtractMethodCommand.OPERATION, mixinStandardHelpOptions = true,
        description = "Makes random statements in copies of the corpora a method and has every oracle judge the "
        + "result.")
public final class ExtractMethodCommand implements Callable<Integer> {

    static final String OPERATION = "extract-method";

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Option(names = "--expressions", description = "expressions instead of statements")
    private boolean expressions;

    @Option(names = "--duplicates", description =
            "places that do the same call the method, too, and several values come out as a record")
    private boolean duplicates;

    @Option(names = "--back", description = "inline each method again, after which the class files must be equal")
    private boolean back;

    @Override
    public Integer call() throws IOException {
        return options.run(OPERATION, () -> (expressions ? " --expressions" : "") + (duplicates ? " --duplicates" : "")
                + (back ? " --back" : ""),
                back ? Oracles.ofExtractionAndBack() : Oracles.ofReshaping(),
                analyst -> expressions ? new ExpressionSubjects(analyst, options.draw(), OPERATION, true)
                        : new StatementSubjects(analyst, options.draw(), duplicates
                                ? Answers.of("duplicates", "package").and("results", "record")
                                .and("visibility", "package")
                                : Answers.none()), false);
    }
}
