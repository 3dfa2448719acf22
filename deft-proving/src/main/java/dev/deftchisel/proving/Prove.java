package dev.deftchisel.proving;

import dev.deftchisel.proving.command.product.AnswersCommand;
import dev.deftchisel.proving.command.product.ConformanceCommand;
import dev.deftchisel.proving.command.product.BenchCommand;
import dev.deftchisel.proving.command.product.EnduranceCommand;
import dev.deftchisel.proving.command.product.FixesCommand;
import dev.deftchisel.proving.command.product.KeysCommand;
import dev.deftchisel.proving.command.product.LooksCommand;
import dev.deftchisel.proving.command.product.MendCommand;
import dev.deftchisel.proving.command.product.MessagesCommand;
import dev.deftchisel.proving.command.product.MistakesCommand;
import dev.deftchisel.proving.command.product.PaceCommand;
import dev.deftchisel.proving.command.product.SpeedCommand;
import dev.deftchisel.proving.command.product.SessionCommand;
import dev.deftchisel.proving.command.product.SurfacesCommand;
import dev.deftchisel.proving.command.product.TortureCommand;
import dev.deftchisel.proving.command.refactoring.AnnotationsCommand;
import dev.deftchisel.proving.command.refactoring.BehaviourCommand;
import dev.deftchisel.proving.command.refactoring.DeclareCommand;
import dev.deftchisel.proving.command.refactoring.ExtractMethodCommand;
import dev.deftchisel.proving.command.refactoring.ExtractValueCommand;
import dev.deftchisel.proving.command.refactoring.ExtractVariableCommand;
import dev.deftchisel.proving.command.refactoring.FaultsCommand;
import dev.deftchisel.proving.command.refactoring.GenerateCommand;
import dev.deftchisel.proving.command.refactoring.InlineCommand;
import dev.deftchisel.proving.command.refactoring.MovesCommand;
import dev.deftchisel.proving.command.refactoring.RandomOffersCommand;
import dev.deftchisel.proving.command.refactoring.RenameCommand;
import dev.deftchisel.proving.command.refactoring.ShapesCommand;
import dev.deftchisel.proving.command.refactoring.SignaturesCommand;
import dev.deftchisel.proving.command.refactoring.SuiteCommand;
import dev.deftchisel.proving.corpus.CorpusException;
import dev.deftchisel.workspace.WorkspaceException;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The command of the proving ground. */
@Command(name = "prove", mixinStandardHelpOptions = true,
        description = "Attacks deft on real code, and measures it.",
        subcommands = {RenameCommand.class, ExtractVariableCommand.class, ExtractValueCommand.class,
                ExtractMethodCommand.class,
            InlineCommand.class, SignaturesCommand.class, MovesCommand.class, GenerateCommand.class,
            DeclareCommand.class,
            MendCommand.class, FixesCommand.class, FaultsCommand.class,
            SuiteCommand.class, TortureCommand.class, MessagesCommand.class, AnswersCommand.class,
            ConformanceCommand.class, LooksCommand.class, KeysCommand.class, SurfacesCommand.class,
            EnduranceCommand.class, SessionCommand.class,
            RandomOffersCommand.class, MistakesCommand.class, BehaviourCommand.class, AnnotationsCommand.class,
            ShapesCommand.class, BenchCommand.class, SpeedCommand.class, PaceCommand.class})
public final class Prove {

    private Prove() {
    }

    /** Runs a command; exits with 1 when an oracle failed, with 2 when there is nothing to work on. */
    public static void main(String[] arguments) {
        System.exit(new CommandLine(new Prove()).setExecutionExceptionHandler((failed, command, parsed) -> {
            if (failed instanceof CorpusException || failed instanceof WorkspaceException) {
                System.err.println("prove: " + failed.getMessage());
                return CommandLine.ExitCode.USAGE;
            }
            throw failed;
        }).execute(arguments));
    }
}
