package dev.deftchisel.cli.problem;

import dev.deftchisel.Chisel;
import dev.deftchisel.Problems;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.option.ScopeOptions;
import dev.deftchisel.cli.text.JsonText;
import dev.deftchisel.cli.text.ProblemText;
import dev.deftchisel.cli.text.SarifText;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.problem.store.Baseline;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Lists what is wrong with code. */
@Command(name = "problems", description = ProblemsCommand.WHAT)
public final class ProblemsCommand extends ChiselCommand {

    public static final String WHAT = "List errors and other problems of the code, with their fixes.";

    @Parameters(arity = "0..*", paramLabel = "PATH", description = "files or folders, or one place; else the workspace")
    private List<String> named = List.of();

    @Mixin
    private final ScopeOptions scopes = new ScopeOptions();

    @Option(names = "--least", paramLabel = "SEVERITY",
            description = "show from this severity on: hint, note, warning, error (note)")
    private String least = "note";

    @Option(names = "--fail-at", paramLabel = "SEVERITY",
            description = "exit with 1 from this severity on (error); off for never")
    private String failAt = "error";

    @Option(names = "--format", paramLabel = "FORMAT", description = "text, json or sarif")
    private Format format = Format.text;

    @Option(names = "--baseline", paramLabel = "FILE", description = "leave out the problems that this file knows")
    private Path baseline;

    @Option(names = "--write-baseline", paramLabel = "FILE",
            description = "write all problems that are found to this file, as known")
    private Path newBaseline;

    @Option(names = "--fresh", description =
            "look at all files, also those that cannot have changed since the last time")
    private boolean fresh;

    /** In small letters since these are the words people type. */
    enum Format { text, json, sarif }

    public ProblemsCommand(Console console) {
        super(console);
    }

    @Override
    protected int run(Chisel chisel, Console console, CommonOptions options) {
        Severity shownFrom = ScopeOptions.severity("--least", least);
        Severity failsFrom = ScopeOptions.severity("--fail-at", failAt);
        Problems problems = chisel.problems();
        var wanted = scopes.wanted(problems);
        ProblemScope scope = scopes.of(chisel, problems, named);
        List<Problem> all = (fresh ? problems.in(scope) : problems.sinceLast(scope)).stream().filter(wanted).toList();
        if (newBaseline != null) {
            Baseline written = Baseline.of(all, chisel.snapshot());
            written.write(newBaseline);
            console.say("deft: " + newBaseline + " knows " + ProblemText.count(written.size(), "problem"));
        }
        List<Problem> found = baseline == null ? all : Baseline.read(baseline).unknown(all, chisel.snapshot());
        List<Problem> shown = found.stream()
                .filter(problem -> problem.severity().compareTo(shownFrom) >= 0 || scopes.hasRules()).toList();
        write(chisel, console, options, problems, shown, found.size() - shown.size());
        boolean fails = failsFrom != Severity.OFF && newBaseline == null
                && found.stream().anyMatch(problem -> problem.severity().compareTo(failsFrom) >= 0);
        return fails ? ExitCode.REFUSED : ExitCode.DONE;
    }

    private void write(Chisel chisel, Console console, CommonOptions options, Problems problems, List<Problem> shown,
            long quieter) {
        switch (options.json() ? Format.json : format) {
            case json -> console.out().println(new JsonText(chisel).problems(shown));
            case sarif -> console.out().println(new SarifText(chisel, problems.rules()).write(shown));
            default -> {
                ProblemText text = new ProblemText(chisel, console.palette());
                for (Problem problem : shown) {
                    text.lines(problem).forEach(console.out()::println);
                    console.out().println();
                }
                if (!options.quiet()) {
                    text.summary(shown, quieter, ScopeOptions.severity("--least", least))
                            .forEach(console.out()::println);
                }
            }
        }
    }
}
