package dev.deftchisel.cli.problem;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.option.OutcomeWriter;
import dev.deftchisel.cli.option.ScopeOptions;
import dev.deftchisel.cli.text.ProblemText;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Severity;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Fixes the problem at a place, or all of a kind in a scope. */
@Command(name = "fix", description = FixCommand.WHAT)
public final class FixCommand extends ChiselCommand {

    public static final String WHAT = "Fix the problem at a place, or all problems of some rules in a scope.";

    @Parameters(arity = "0..*", paramLabel = "PLACE|PATH",
            description = "one place, or files and folders; else the workspace, which needs --rules")
    private List<String> named = List.of();

    @Mixin
    private final ScopeOptions scopes = new ScopeOptions();

    @Option(names = "--take", paramLabel = "N", description = "which of the fixes at the place, from 1 on (1)")
    private int take = 1;

    @Option(names = "--least", paramLabel = "SEVERITY",
            description = "fix from this severity on: hint, note, warning, error (hint)")
    private String least = "hint";

    @Option(names = "--apply", description = "write the change")
    private boolean apply;

    public FixCommand(Console console) {
        super(console);
    }

    @Override
    protected int run(Chisel chisel, Console console, CommonOptions options) {
        Problems problems = chisel.problems();
        Predicate<Problem> wanted = scopes.wanted(problems);
        boolean isPlace = named.size() == 1 && ScopeOptions.path(chisel, named.get(0)).isEmpty();
        if (!isPlace && !scopes.hasRules()) {
            console.say("deft: say which problems to fix: a PLACE, or --rules for all of some rules or tags");
            return ExitCode.USAGE;
        }
        return isPlace ? atPlace(chisel, console, options, problems, wanted)
                : all(chisel, console, options, problems, wanted);
    }

    private int atPlace(Chisel chisel, Console console, CommonOptions options, Problems problems,
            Predicate<Problem> wanted) {
        Place place = chisel.place(named.get(0));
        Optional<Problem> problem = problems.at(place).stream().filter(wanted).filter(found -> !found.fixes().isEmpty())
                .findFirst().or(() -> onLine(chisel, problems, place, wanted));
        if (problem.isEmpty()) {
            console.say("deft: " + named.get(0) + ": there is no problem here that could be fixed");
            return ExitCode.REFUSED;
        }
        if (take < 1 || take > problem.get().fixes().size()) {
            console.say("deft: there are fixes 1 to " + problem.get().fixes().size() + " here: "
                    + String.join(" | ", problem.get().fixes()));
            return ExitCode.USAGE;
        }
        if (scopes.isGiven()) {
            String rule = problem.get().rule();
            return all(chisel, console, options, problems, found -> found.rule().equals(rule));
        }
        if (!options.quiet()) {
            new ProblemText(chisel, console.palette()).lines(problem.get()).forEach(console::say);
        }
        return new OutcomeWriter(chisel, console, options).write(problems.fix(problem.get(), take - 1), apply);
    }

    /** A place often is only a line. */
    private static Optional<Problem> onLine(Chisel chisel, Problems problems, Place place, Predicate<Problem> wanted) {
        int line = chisel.snapshot().source(place.file()).position(place.caret()).line();
        return problems.in(problems.around(place, Problems.Reach.FILE)).stream()
                .filter(wanted)
                .filter(found -> found.position().line() == line)
                .map(problems::checked)
                .filter(found -> !found.fixes().isEmpty())
                .findFirst();
    }

    private int all(Chisel chisel, Console console, CommonOptions options, Problems problems,
            Predicate<Problem> wanted) {
        Severity from = ScopeOptions.severity("--least", least);
        Problems.Fixed fixed = problems.fixAll(scopes.of(chisel, problems, named),
                problem -> wanted.test(problem) && problem.severity().compareTo(from) >= 0);
        if (!options.quiet()) {
            fixed.fixes().entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(entry ->
                    console.say("%6d  %s".formatted(entry.getValue(), entry.getKey())));
            for (Reason reason : fixed.left()) {
                console.say("  left: " + where(chisel, reason) + reason.sentence());
            }
        }
        Optional<Outcome> outcome = fixed.outcome();
        if (outcome.isEmpty()) {
            console.say("deft: there is nothing to fix");
            return ExitCode.DONE;
        }
        return new OutcomeWriter(chisel, console, options).write(outcome.get(), apply);
    }

    private static String where(Chisel chisel, Reason reason) {
        return reason.file().map(file -> chisel.workspace().show(file) + ": ").orElse("");
    }
}
