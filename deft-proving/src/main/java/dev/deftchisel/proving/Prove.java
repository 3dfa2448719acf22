package dev.deftchisel.proving;

import dev.deftchisel.proving.corpus.CorpusException;
import dev.deftchisel.workspace.WorkspaceException;
import picocli.CommandLine.Command;
import picocli.CommandLine;

/** The command of the proving ground. */
@Command(name = "prove", mixinStandardHelpOptions = true,
        description = "Attacks deft on real code, and measures it.",
        subcommands = {RenameCommand.class, ExtractVariableCommand.class, ExtractValueCommand.class, ExtractMethodCommand.class,
            InlineCommand.class, GenerateCommand.class, DeclareCommand.class, MendCommand.class, FixesCommand.class, FaultsCommand.class,
            SuiteCommand.class, TortureCommand.class, MessagesCommand.class, AnswersCommand.class, KeysCommand.class,
                    SurfacesCommand.class, EnduranceCommand.class,
            OffersCommand.class, MistakesCommand.class, BehaviourCommand.class, AnnotationsCommand.class, ShapesCommand.class, BenchCommand.class, SpeedCommand.class, PaceCommand.class})
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
