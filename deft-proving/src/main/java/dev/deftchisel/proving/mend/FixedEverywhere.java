package dev.deftchisel.proving.mend;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.compiled.TestSuite;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.oracle.NoNewDiagnostics;
import dev.deftchisel.proving.oracle.SameClasses;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * Applies the first fix of every problem everywhere, and looks at what the compiler and the tests make of the code
 * then.
 */
public final class FixedEverywhere {

    private final Corpus corpus;
    private final Optional<TestSuite> suite;

    /**
     * @param corpus a copy that may be written to
     * @param suite  runs its tests; empty when they are not to run
     */
    public FixedEverywhere(Corpus corpus, Optional<TestSuite> suite) {
        this.corpus = corpus;
        this.suite = suite;
    }

    /**
     * Rules whose fixes are applied together.
     *
     * @param name          for people
     * @param rules         their ids
     * @param keepsClasses  whether they say that the class files stay as they are
     * @param isUndone      whether the code is to be as it was before the next turn
     */
    public record Turn(String name, Set<String> rules, boolean keepsClasses, boolean isUndone) {
    }

    /**
     * What came of a turn.
     *
     * @param name       of it
     * @param fixes      how many, by rule
     * @param files      how many changed
     * @param left       what could not be fixed
     * @param objections what is wrong with the code now
     * @param tests      what the tests say, if they were run
     */
    public record Result(String name, Map<String, Integer> fixes, int files, List<String> left, List<String> objections,
            Optional<String> tests) {
    }

    /** Runs, one turn after the other. */
    public List<Result> run(List<Turn> turns) throws IOException, InterruptedException {
        List<Result> results = new ArrayList<>();
        // rules that are off unless a project wants them are wanted here
        Files.writeString(corpus.request().folder().resolve(".editorconfig"), turns.stream()
                .flatMap(turn -> turn.rules().stream())
                .distinct().map(rule -> "deft_" + rule + " = warning\n")
                .collect(Collectors.joining("", "root = true\n[*]\n", "")));
        try (Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
            CompiledCode before = CompiledCode.of(chisel.snapshot());
            Optional<TestSuite.Result> tests = tests(chisel, before);
            for (Turn turn : turns) {
                Turned turned = run(turn, chisel, before, tests);
                results.add(turned.result());
                before = turned.code();
            }
        }
        return results;
    }

    /** What came of a turn, and the code that the next one starts from. */
    private record Turned(Result result, CompiledCode code) {
    }

    private Turned run(Turn turn, Chisel chisel, CompiledCode before, Optional<TestSuite.Result> tests)
            throws IOException, InterruptedException {
        Problems problems = chisel.problems();
        Problems.Fixed fixed = problems.fixAll(problems.everywhere(), problem -> turn.rules().contains(problem.rule()));
        List<String> left = fixed.left().stream().map(reason -> show(chisel, reason)).toList();
        if (fixed.outcome().isEmpty() || !(fixed.outcome().get() instanceof Outcome.Preview preview)) {
            return new Turned(new Result(turn.name(), Map.of(), 0, left, List.of(), Optional.empty()), before);
        }
        chisel.apply(preview);
        CompiledCode after = CompiledCode.of(chisel.snapshot());
        List<String> objections = new ArrayList<>();
        new NoNewDiagnostics().objection(before, after, List.of()).ifPresent(objections::add);
        if (turn.keepsClasses()) {
            SameClasses.WITHOUT_PROCESSORS.objection(before, after, List.of()).ifPresent(objections::add);
        }
        Problems again = chisel.problems();
        Problems.Fixed second = again.fixAll(again.everywhere(), problem -> turn.rules().contains(problem.rule()));
        second.fixes().forEach((rule, count) -> objections.add("a second run fixes " + count + " more: " + rule));
        Optional<TestSuite.Result> testsAfter = tests(chisel, after);
        Optional<String> words = testsAfter.map(
                result -> "%d of %d tests pass, %d of %d before".formatted(result.passed(),
                result.found(), tests.orElseThrow().passed(), tests.orElseThrow().found()));
        testsAfter.ifPresent(result -> result.failed().stream()
                .filter(test -> !tests.orElseThrow().failed().contains(test))
                .forEach(test -> objections.add("a test fails: " + test)));
        if (turn.isUndone()) {
            chisel.undo();
        }
        return new Turned(new Result(turn.name(), new TreeMap<>(fixed.fixes()), preview.change().effective()
                .size(), left, objections,
                words), turn.isUndone() ? before : after);
    }

    private Optional<TestSuite.Result> tests(Chisel chisel, CompiledCode code)
            throws IOException, InterruptedException {
        return suite.isEmpty() ? Optional.empty() : Optional.of(suite.get().run(chisel.workspace(), code));
    }

    private static String show(Chisel chisel, Reason reason) {
        return reason.file().map(file -> chisel.workspace().show(file) + ": ").orElse("") + reason.sentence();
    }
}
