package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.AnalysisException;
import dev.deftchisel.journal.JournalException;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.PlaceException;
import dev.deftchisel.workspace.WorkspaceException;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.InputStream;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.CancellationException;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.UnmatchedArgumentException;

/** The start of the command {@code deft}. */
@Command(name = "deft",
        description = "Changes Java code without changing what it means.",
        version = "deft 0.1.0",
        footer = {"",
            "A PLACE is path:line:column, a range path:line:column-line:column, or a symbol",
            "as in Javadoc: harbour.Berth#moor(Vessel).",
            "Without --apply nothing is written: the change is printed as a unified diff.",
            "Exit codes: 0 done, 1 refused, 2 not understood."})
public final class Deft implements Runnable {

    @CommandLine.Spec
    private CommandSpec spec;

    @CommandLine.Option(names = {"-h", "--help"}, usageHelp = true, description = "show this help")
    private boolean help;

    @CommandLine.Option(names = "--version", versionHelp = true, description = "show the version")
    private boolean version;

    /** Runs the command with the streams of the process. */
    public static void main(String[] arguments) {
        PrintStream out = new PrintStream(new FileOutputStream(FileDescriptor.out), false, StandardCharsets.UTF_8);
        PrintStream err = new PrintStream(new FileOutputStream(FileDescriptor.err), true, StandardCharsets.UTF_8);
        int code = run(new Console(System.in, out, err, isTerminal("0") && isTerminal("1"), isTerminal("2"),
                new Palette(false)), arguments);
        out.flush();
        System.exit(code);
    }

    /** The launcher says which streams are terminals, since Java 17 cannot tell for each. */
    private static boolean isTerminal(String stream) {
        return System.getProperty("deft.terminal", "").contains(stream);
    }

    /** Runs one command and returns its exit code; never throws. */
    static int run(Console console, String... arguments) {
        try {
            return commandLine(console).execute(arguments);
        } catch (OutOfMemoryError tooMuch) {
            console.say("deft: there is not enough memory for this code, nothing was changed;"
                    + " give more with JAVA_TOOL_OPTIONS=-Xmx4g");
        } catch (LinkageError broken) {
            console.say("deft: this installation is damaged (" + broken + "); build it anew");
        }
        return ExitCode.REFUSED;
    }

    static CommandLine commandLine(Console console) {
        CommandLine line = new CommandLine(new Deft());
        for (Operation operation : Chisel.operations()) {
            line.addSubcommand(operation.id(), new OperationCommand(operation, console).spec());
        }
        line.addSubcommand("offers", new OffersCommand(console));
        line.addSubcommand("uses", new UsesCommand(console));
        line.addSubcommand("at", new AtCommand(console));
        line.addSubcommand("undo", new HistoryCommands.Undo(console));
        line.addSubcommand("redo", new HistoryCommands.Redo(console));
        line.addSubcommand("history", new HistoryCommands.History(console));
        line.addSubcommand("demo", new DemoCommand(console));
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.setOut(new PrintWriter(console.out(), true));
        line.setErr(new PrintWriter(console.err(), true));
        line.setParameterExceptionHandler((wrong, given) -> usage(console, wrong));
        line.setExecutionExceptionHandler((failed, command, parsed) -> failure(console, failed));
        return line;
    }

    private static int usage(Console console, ParameterException wrong) {
        String message = wrong.getMessage();
        console.say("deft: " + message.replaceAll("\\s*\\R\\s*", " "));
        if (!UnmatchedArgumentException.printSuggestions(wrong, new PrintWriter(console.err(), true))) {
            CommandLine line = wrong.getCommandLine();
            String command = line.getParent() == null ? "" : line.getCommandName() + " ";
            console.say("deft: see 'deft " + command + "--help'");
        }
        return ExitCode.USAGE;
    }

    private static int failure(Console console, Exception failed) {
        if (failed instanceof CancellationException) {
            console.say("deft: stopped; nothing was changed");
            return ExitCode.REFUSED;
        }
        if (failed instanceof PlaceException || failed instanceof WorkspaceException) {
            console.say("deft: " + failed.getMessage());
            return ExitCode.USAGE;
        }
        if (failed instanceof JournalException || failed instanceof AnalysisException) {
            console.say("deft: " + failed.getMessage());
            return ExitCode.REFUSED;
        }
        console.say("deft: something went wrong inside deft, nothing was changed: " + failed
                + " (run with JAVA_TOOL_OPTIONS=-Ddeft.log=DEBUG for more)");
        LoggerFactory.getLogger(Deft.class).error("unexpected", failed);
        return ExitCode.REFUSED;
    }

    @Override
    public void run() {
        spec.commandLine().usage(spec.commandLine().getOut());
    }

    /** The streams of a test or of another command. */
    static Console plainConsole(InputStream in, PrintStream out, PrintStream err) {
        return new Console(in, out, err, false, false, new Palette(false));
    }
}
