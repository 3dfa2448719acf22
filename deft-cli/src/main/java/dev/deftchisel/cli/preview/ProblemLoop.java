package dev.deftchisel.cli.preview;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.console.Keyboard;
import dev.deftchisel.cli.text.ProblemText;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;

/** Problems in the keyboard loop: from one to the next, the first fix of each with one key, the others with two. */
public final class ProblemLoop {

    private final Chisel chisel;
    private final Console console;

    public ProblemLoop(Chisel chisel, Console console) {
        this.chisel = chisel;
        this.console = console;
    }

    /** Where the next problem after a place starts, which is told; the same place when there is none. */
    public Place next(Place place) {
        Optional<Problem> next = chisel.problems().next(place);
        show(next, "there is no problem in this file");
        return next.map(problem -> new Place(problem.file(),
                new Range(problem.range().start(), problem.range().start()))).orElse(place);
    }

    /** Shows the first fix of the problem here, or of the first on this line, and applies it when that is wished. */
    public PreviewLoop.End fix(Keyboard keyboard, Place place) {
        return fix(keyboard, place, problem -> OptionalInt.of(0));
    }

    /** The same with one of several fixes, which is asked for. */
    public PreviewLoop.End choose(Keyboard keyboard, Place place) {
        return fix(keyboard, place, problem -> problem.fixes().size() == 1 ? OptionalInt.of(0)
                : OtherAnswers.number(console, keyboard, problem.fixes()));
    }

    private PreviewLoop.End fix(Keyboard keyboard, Place place, Function<Problem, OptionalInt> chosen) {
        Problems problems = chisel.problems();
        Optional<Problem> here = problems.fixable(place);
        show(here, "there is nothing to fix on this line; '.' goes to the next problem");
        OptionalInt fix = here.map(chosen).orElse(OptionalInt.empty());
        if (fix.isEmpty()) {
            return new PreviewLoop.End(Optional.empty(), ExitCode.DONE);
        }
        Outcome outcome = problems.fix(here.orElseThrow(), fix.getAsInt());
        console.out().println();
        return new PreviewLoop(chisel, console, place).run(keyboard, Answers.none(), outcome);
    }

    private void show(Optional<Problem> problem, String otherwise) {
        console.out().println();
        problem.map(new ProblemText(chisel, console.palette())::lines)
                .orElse(List.of(console.palette().quiet(otherwise)))
                .forEach(console.out()::println);
    }
}
