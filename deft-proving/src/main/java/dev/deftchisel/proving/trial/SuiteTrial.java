package dev.deftchisel.proving.trial;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.change.Change;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.compiled.TestSuite;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.subject.Subject;
import dev.deftchisel.proving.subject.Subjects;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Applies some changes one after the other and runs the corpus's own test suite before and after. */
public final class SuiteTrial {

    private final Corpus corpus;
    private final TestSuite suite;

    /**
     * @param corpus a copy that may be written to
     * @param suite  runs its tests
     */
    public SuiteTrial(Corpus corpus, TestSuite suite) {
        this.corpus = corpus;
        this.suite = suite;
    }

    /**
     * What came of it.
     *
     * @param titles of the changes
     * @param before what the suite gave before them
     * @param after  what it gave after them
     */
    public record Result(List<String> titles, TestSuite.Result before, TestSuite.Result after) {

        /** Whether as many tests pass as before. */
        public boolean isPassed() {
            return after.found() == before.found() && after.passed() == before.passed();
        }
    }

    /**
     * Runs.
     *
     * @param count  how many changes
     * @param source what is tried, given the untouched corpus
     */
    public Result run(int count, Function<Analyst, Subjects> source) throws IOException, InterruptedException {
        try (Libraries libraries = new Libraries(); Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
            TestSuite.Result before = suite.run(chisel.workspace(), CompiledCode.of(chisel.snapshot()));
            Subjects subjects = source.apply(new Analyst(chisel.snapshot(), libraries, Monitor.SILENT));
            List<Change> changes = new ArrayList<>();
            for (int number = 0; changes.size() < count; number++) {
                Subject subject = subjects.subject(number);
                Optional<Place> place = Moved.place(subject.place(), changes);
                if (place.isPresent() && chisel.preview(place.get(), subject.operation(), subject.answers())
                        instanceof Outcome.Preview preview && isChecked(preview.change())) {
                    chisel.apply(preview);
                    changes.add(preview.change());
                }
            }
            TestSuite.Result after = suite.run(chisel.workspace(), CompiledCode.of(chisel.snapshot()));
            return new Result(changes.stream().map(Change::title).toList(), before, after);
        }
    }

    /** Whether nothing is left for the user to check, such as whether a test may have other parameters. */
    private static boolean isChecked(Change change) {
        return change.notes().stream().noneMatch(note -> note.endsWith("was not checked"));
    }
}
