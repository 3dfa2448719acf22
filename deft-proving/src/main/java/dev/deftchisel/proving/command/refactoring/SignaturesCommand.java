package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.proving.option.TrialOptions;
import dev.deftchisel.proving.subject.SignatureSubjects;
import dev.deftchisel.proving.trial.Oracles;
import java.io.IOException;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Random methods and constructors get another header. */
@Command(name = "signatures", mixinStandardHelpOptions = true,
        description = "Changes random signatures in copies of the corpora and has every oracle judge the result.")
public final class SignaturesCommand implements Callable<Integer> {

    @Mixin
    private final TrialOptions options = new TrialOptions();

    @Override
    public Integer call() throws IOException {
        return options.run("change-signature", () -> "", Oracles.ofSignatures(),
                analyst -> new SignatureSubjects(analyst, options.draw()), false);
    }
}
