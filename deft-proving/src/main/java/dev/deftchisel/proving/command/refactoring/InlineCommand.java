package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.proving.option.TrialOptions;
import dev.deftchisel.proving.subject.NameSubjects;
import dev.deftchisel.proving.trial.Oracles;
import java.io.IOException;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Random local variables give way to their values, or calls to what the method does. */
@Command(name = InlineCommand.OPERATION, mixinStandardHelpOptions = true,
        description = "Inlines random local variables or calls in copies of the corpora and has every oracle judge "
        + "the result.")
public final class InlineCommand implements Callable<Integer> {

    static final String OPERATION = "inline";

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Option(names = "--methods", description = "calls of methods instead of variables")
    private boolean methods;

    @Option(names = "--open", description = "what a method uses and the caller may not is opened")
    private boolean open;

    @Override
    public Integer call() throws IOException {
        SymbolKind kind = methods ? SymbolKind.METHOD : SymbolKind.LOCAL_VARIABLE;
        Answers always = open ? Answers.of("access", "open") : Answers.none();
        return options.run(OPERATION, () -> (methods ? " --methods" : "") + (open ? " --open" : ""),
                Oracles.ofReshaping(),
                analyst -> new NameSubjects(analyst, options.draw(), OPERATION, kind, always), false);
    }
}
