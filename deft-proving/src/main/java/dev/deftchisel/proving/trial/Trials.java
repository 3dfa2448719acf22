package dev.deftchisel.proving.trial;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusException;
import dev.deftchisel.proving.subject.Subject;
import dev.deftchisel.proving.subject.Subjects;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * Runs one operation over one corpus. The subjects of a batch are picked from the untouched corpus, applied one after
 * the other, each judged on its own by what is quick, and together by what needs the whole corpus compiled. A batch
 * that fails is run again one by one to find the culprit. After each batch everything is undone.
 */
public final class Trials {

    /** A refusal at a place where nothing is offered is tried for one in so many. */
    private static final int BARREN_EVERY = 10;

    private final Corpus corpus;
    private final TrialSettings settings;
    private final Oracles oracles;
    private final Function<Analyst, Subjects> subjects;
    private final Consumer<Verdict> listener;

    /**
     * @param corpus   a copy that may be written to
     * @param settings how to go about it
     * @param oracles  who judges
     * @param subjects what is tried, given the untouched corpus
     * @param listener is told of each verdict as it falls
     */
    public Trials(Corpus corpus, TrialSettings settings, Oracles oracles, Function<Analyst, Subjects> subjects,
            Consumer<Verdict> listener) {
        this.corpus = corpus;
        this.settings = settings;
        this.oracles = oracles;
        this.subjects = subjects;
        this.listener = listener;
    }

    /**
     * Runs.
     *
     * @throws CorpusException when the corpus itself does not compile
     */
    public List<Verdict> run() {
        List<Verdict> verdicts = new ArrayList<>();
        try (Libraries libraries = new Libraries(); Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
            CompiledCode baseline = baseline(chisel);
            Analyst pristine = new Analyst(chisel.snapshot(), libraries, Monitor.SILENT);
            Subjects source = subjects.apply(pristine);
            Attempt attempt = new Attempt(chisel, new CompiledCorpus(corpus, baseline), settings, oracles, libraries);
            int end = settings.first() + settings.count();
            for (int start = settings.first(); start < end; start += settings.batch()) {
                List<Subject> batch = new ArrayList<>();
                for (int number = start; number < Math.min(end, start + settings.batch()); number++) {
                    Subject subject = source.subject(number);
                    batch.add(subject);
                    if (number % BARREN_EVERY == 0) {
                        attempt.barren(subject, source.barren(number)).ifPresent(verdicts::add);
                    }
                }
                List<Verdict> fallen = new Batch(chisel, attempt, oracles, baseline).run(batch);
                fallen.forEach(listener);
                verdicts.addAll(fallen);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return verdicts;
    }

    private CompiledCode baseline(Chisel chisel) {
        CompiledCode baseline = CompiledCode.of(chisel.snapshot());
        if (!baseline.errors().isEmpty()) {
            throw new CorpusException(corpus.name() + " does not compile as it is: " + baseline.errors().get(0)
                    + " (" + baseline.errors().size() + " errors)");
        }
        return baseline;
    }
}
