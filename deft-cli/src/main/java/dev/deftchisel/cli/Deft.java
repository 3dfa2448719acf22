package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.console.HelpPage;
import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.cli.problem.FixCommand;
import dev.deftchisel.cli.problem.NextCommand;
import dev.deftchisel.cli.problem.ProblemsCommand;
import dev.deftchisel.cli.problem.RulesCommand;
import dev.deftchisel.cli.refactoring.MoveFileCommand;
import dev.deftchisel.cli.refactoring.OperationCommand;
import dev.deftchisel.journal.JournalException;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.PlaceException;
import dev.deftchisel.problem.store.BaselineException;
import dev.deftchisel.workspace.UnfitJavaException;
import dev.deftchisel.workspace.WorkspaceException;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.Supplier;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.UnmatchedArgumentException;

/** The start of the command {@code deft}. */
public final class Deft {

    /** After failures of which nobody knows whether files were being written. */
    private static final String TAKEN_BACK = "; a change that was half written is taken back by the next command";

    private static final Set<String> HELP = Set.of("-h", "--help", "help");

    private Deft() {
    }

    /** Runs the command with the streams of the process. */
    public static void main(String[] arguments) {
        PrintStream out = new PrintStream(new FileOutputStream(FileDescriptor.out), false, StandardCharsets.UTF_8);
        PrintStream err = new PrintStream(new FileOutputStream(FileDescriptor.err), true, StandardCharsets.UTF_8);
        int code = run(new Console(System.in, out, err, isTerminal("0") && isTerminal("1"), isTerminal("2"),
                new Palette(false)), Restart.of(arguments), arguments);
        out.flush();
        System.exit(code);
    }

    /** The launcher says which streams are terminals, since Java 17 cannot tell for each. */
    private static boolean isTerminal(String stream) {
        return System.getProperty("deft.terminal", "").contains(stream);
    }

    /** Runs one command and returns its exit code; never throws. */
    static int run(Console console, String... arguments) {
        return run(console, Restart.never(), arguments);
    }

    private static int run(Console console, Restart restart, String... arguments) {
        try {
            if (arguments.length == 0 || HELP.contains(arguments[0])) {
                Map<String, String> commands = new LinkedHashMap<>();
                entries(console, restart).forEach((name, entry) -> commands.put(name, entry.what()));
                console.out().print(HelpPage.of(commands));
                return ExitCode.DONE;
            }
            return commandLine(console, restart, arguments).execute(arguments);
        } catch (OutOfMemoryError tooMuch) {
            console.say("deft: there is not enough memory for this code; give more with JAVA_TOOL_OPTIONS=-Xmx4g"
                    + TAKEN_BACK);
        } catch (StackOverflowError tooDeep) {
            console.say("deft: this code is nested too deeply; give more room with JAVA_TOOL_OPTIONS=-Xss64m"
                    + TAKEN_BACK);
        } catch (LinkageError broken) {
            console.say("deft: this installation is damaged (" + broken + "); build it anew");
        }
        return ExitCode.REFUSED;
    }

    /**
     * The commands with what they do. Only the one that is asked for is made in full, the others are known by name for
     * the help and for suggestions: reading the options of all of them would take most of the time of a short run.
     */
    private static Map<String, Entry> entries(Console console, Restart restart) {
        Map<String, Entry> entries = new LinkedHashMap<>();
        for (Operation operation : Chisel.operations()) {
            entries.put(operation.id(), new Entry(operation.summary() + ".",
                    () -> new CommandLine(new OperationCommand(operation, console).spec())));
        }
        // by paths, where other operations take a place in code
        entries.put("move-file", new Entry(MoveFileCommand.WHAT, () -> new CommandLine(new MoveFileCommand(console))));
        entries.put("counterpart", new Entry(CounterpartCommand.WHAT,
                () -> new CommandLine(new CounterpartCommand(console))));
        entries.put("offers", new Entry(OffersCommand.WHAT, () -> new CommandLine(new OffersCommand(console))));
        entries.put("uses", new Entry(UsesCommand.WHAT, () -> new CommandLine(new UsesCommand(console))));
        entries.put("at", new Entry(AtCommand.WHAT, () -> new CommandLine(new AtCommand(console))));
        entries.put("desk", new Entry(DeskCommand.WHAT, () -> new CommandLine(new DeskCommand(console))));
        entries.put("problems", new Entry(ProblemsCommand.WHAT, () -> new CommandLine(new ProblemsCommand(console))));
        entries.put("fix", new Entry(FixCommand.WHAT, () -> new CommandLine(new FixCommand(console))));
        entries.put("next", new Entry(NextCommand.WHAT, () -> new CommandLine(new NextCommand(console))));
        entries.put("rules", new Entry(RulesCommand.WHAT, () -> new CommandLine(new RulesCommand(console))));
        entries.put("lsp", new Entry(LspCommand.WHAT, () -> new CommandLine(new LspCommand(console, restart))));
        entries.put("project", new Entry(ProjectCommand.WHAT, () -> new CommandLine(new ProjectCommand(console))));
        entries.put("undo", new Entry(HistoryCommands.Undo.WHAT,
                () -> new CommandLine(new HistoryCommands.Undo(console))));
        entries.put("redo", new Entry(HistoryCommands.Redo.WHAT,
                () -> new CommandLine(new HistoryCommands.Redo(console))));
        entries.put("history", new Entry(
                HistoryCommands.History.WHAT, () -> new CommandLine(new HistoryCommands.History(console))));
        entries.put("demo", new Entry(DemoCommand.WHAT, () -> new CommandLine(new DemoCommand(console))));
        return entries;
    }

    /** A command before it is made. */
    private record Entry(String what, Supplier<CommandLine> maker) {

        CommandLine named() {
            CommandSpec spec = CommandSpec.create();
            spec.usageMessage().description(what);
            return new CommandLine(spec);
        }
    }

    private static CommandLine commandLine(Console console, Restart restart, String[] arguments) {
        CommandSpec root = CommandSpec.create().name("deft").version("deft 0.1.0");
        root.addOption(OptionSpec.builder("--version").versionHelp(true).description("show the version").build());
        CommandLine line = new CommandLine(root);
        entries(console, restart).forEach((name, entry) ->
                line.addSubcommand(name, name.equals(arguments[0]) ? entry.maker().get() : entry.named()));
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.setOut(new PrintWriter(console.out(), true));
        line.setErr(new PrintWriter(console.err(), true));
        line.setParameterExceptionHandler((wrong, given) -> usage(console, wrong));
        line.setExecutionExceptionHandler((failed, command, parsed) -> failure(console, restart, failed));
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

    private static int failure(Console console, Restart restart, Exception failed)
            throws IOException, InterruptedException {
        if (failed instanceof UnfitJavaException unfit && unfit.fitting().isPresent() && restart.isPossible()) {
            Restart.remember(unfit.root(), unfit.fitting().get());
            return restart.with(unfit.fitting().get());
        }
        if (failed instanceof CancellationException) {
            console.say("deft: stopped" + TAKEN_BACK);
            return ExitCode.REFUSED;
        }
        if (failed instanceof PlaceException || failed instanceof WorkspaceException
                || failed instanceof BaselineException) {
            console.say("deft: " + failed.getMessage());
            return ExitCode.USAGE;
        }
        if (failed instanceof JournalException || failed instanceof AnalysisException) {
            console.say("deft: " + failed.getMessage());
            return ExitCode.REFUSED;
        }
        console.say("deft: something went wrong inside deft: " + failed
                + " (run with JAVA_TOOL_OPTIONS=-Ddeft.log=DEBUG for more)" + TAKEN_BACK);
        LoggerFactory.getLogger(Deft.class).error("unexpected", failed);
        return ExitCode.REFUSED;
    }

    /** The streams of a test or of another command. */
    static Console plainConsole(InputStream in, PrintStream out, PrintStream err) {
        return new Console(in, out, err, false, false, new Palette(false));
    }
}
