package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.proving.option.TrialOptions;
import dev.deftchisel.proving.subject.MoveSubjects;
import dev.deftchisel.proving.trial.Oracles;
import java.io.IOException;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Random types go to other files, packages and types. */
@Command(name = "moves", mixinStandardHelpOptions = true,
        description = "Moves random types in copies of the corpora and has every oracle judge the result.")
public final class MovesCommand implements Callable<Integer> {

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Override
    public Integer call() throws IOException {
        return options.run("move-type", () -> "", Oracles.ofMoves(),
                analyst -> new MoveSubjects(analyst, options.draw()), false);
    }
}
