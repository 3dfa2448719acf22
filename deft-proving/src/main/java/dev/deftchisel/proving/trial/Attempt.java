package dev.deftchisel.proving.trial;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.change.Change;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.oracle.Applied;
import dev.deftchisel.proving.oracle.Rename;
import dev.deftchisel.proving.oracle.TrialOracle;
import dev.deftchisel.proving.subject.Subject;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Does one trial, and has it judged by what does not need the whole corpus compiled. */
final class Attempt {

    /** The command is a whole process, so it is asked for one trial in so many. */
    private static final int COMMAND_LINE_EVERY = 100;

    private final Chisel chisel;
    private final Corpus corpus;
    private final TrialSettings settings;
    private final Oracles oracles;
    private final Libraries libraries;
    private final CompiledCode baseline;

    /** @param code a corpus and what it compiles to before any trial */
    Attempt(Chisel chisel, CompiledCorpus code, TrialSettings settings, Oracles oracles, Libraries libraries) {
        this.chisel = chisel;
        this.corpus = code.corpus();
        this.settings = settings;
        this.oracles = oracles;
        this.libraries = libraries;
        this.baseline = code.baseline();
    }

    /**
     * What came of it.
     *
     * @param verdict  so far
     * @param standing the change, when it was applied
     */
    record Done(Verdict verdict, Optional<Standing> standing) {
    }

    /**
     * What stands in the workspace after a trial.
     *
     * @param outcomes the change, and the one that takes it back when there is one
     */
    record Standing(List<Outcome.Preview> outcomes) {

        List<Change> changes() {
            return outcomes.stream().map(Outcome.Preview::change).toList();
        }

        /** What the changes say that they do. */
        List<Rename> renames() {
            return outcomes.stream().map(outcome -> Rename.of(outcome.change(), outcome.before())).toList();
        }
    }

    /**
     * Does the trial.
     *
     * @param subject    as picked from the untouched corpus
     * @param place      where its place is now
     * @param isPristine whether nothing stands in the workspace yet
     */
    Done run(Subject subject, Place place, boolean isPristine) throws IOException {
        long start = System.nanoTime();
        long offerMillis = 0;
        try {
            boolean isOffered = chisel.offers(place).stream()
                    .anyMatch(offer -> offer.operation().equals(subject.operation()));
            offerMillis = millisSince(start);
            String oldName = chisel.symbol(place).map(Symbol::name).orElse("");
            start = System.nanoTime();
            Outcome outcome = chisel.preview(place, subject.operation(), subject.answers());
            Verdict verdict = new Verdict(corpus.name(), subject, Verdict.Result.APPLIED, "", Optional.empty(),
                    offerMillis, millisSince(start));
            if (outcome instanceof Outcome.Refusal refusal) {
                return new Done(refused(verdict, refusal, place, isPristine), Optional.empty());
            }
            return applied(isOffered ? verdict : verdict.failed("offered", "it can be done but is not offered"),
                    (Outcome.Preview) outcome, place, oldName, isPristine);
        } catch (RuntimeException crashed) {
            return new Done(new Verdict(corpus.name(), subject, Verdict.Result.FAILED, crashed.toString(),
                    Optional.of("no crash"), offerMillis, millisSince(start)), Optional.empty());
        }
    }

    private static long millisSince(long nanos) {
        return (System.nanoTime() - nanos) / 1_000_000;
    }

    private Done applied(Verdict so, Outcome.Preview preview, Place place, String oldName, boolean isPristine)
            throws IOException {
        Verdict verdict = so;
        Subject subject = verdict.subject();
        if (isPristine && settings.launcher().isPresent() && subject.number() % COMMAND_LINE_EVERY == 0) {
            verdict = new SameOnCommandLine(settings.launcher().get())
                    .objection(chisel, corpus, subject, place, preview.change())
                    .map(what -> so.failed("same on the command line", what))
                    .orElse(verdict);
        }
        Map<Path, byte[]> before = Applied.bytesBefore(preview.change());
        chisel.apply(preview);
        Applied applied = new Applied(place, oldName, preview.change(), before, subject.operation(), subject.answers());
        for (TrialOracle oracle : oracles.of(subject.number())) {
            Optional<String> objection = oracle.objection(chisel, applied);
            if (objection.isPresent()) {
                verdict = verdict.failed(oracle.name(), objection.get());
                break;
            }
        }
        Standing standing = new Standing(List.of(preview));
        return oracles.inverse().isEmpty() ? new Done(verdict, Optional.of(standing)) : back(verdict, preview);
    }

    /** Follows a change by what takes it back; without that it is undone, since nothing can be compared. */
    private Done back(Verdict verdict, Outcome.Preview preview) {
        Optional<Subject> inverse = oracles.inverse().flatMap(found -> found.of(verdict.subject(), preview.change()));
        Optional<Outcome> outcome = inverse.map(back -> chisel.preview(back.place(), back.operation(), back.answers()));
        if (outcome.orElse(null) instanceof Outcome.Preview back) {
            chisel.apply(back);
            return new Done(verdict, Optional.of(new Standing(List.of(preview, back))));
        }
        chisel.undo();
        String why = outcome.map(refusal -> ((Outcome.Refusal) refusal).reasons().get(0).sentence())
                .orElse("several changes in one");
        return new Done(new Verdict(verdict.corpus(), verdict.subject(), Verdict.Result.REFUSED, "not taken back: "
                + why,
                Optional.empty(), verdict.offerMillis(), verdict.previewMillis()), Optional.empty());
    }

    private Verdict refused(Verdict verdict, Outcome.Refusal refusal, Place place, boolean isPristine) {
        Reason reason = refusal.reasons().get(0);
        String why = reason.file().map(file -> chisel.workspace().show(file) + ": ").orElse("") + reason.sentence();
        Verdict refused = new Verdict(verdict.corpus(), verdict.subject(), Verdict.Result.REFUSED, why,
                Optional.empty(),
                verdict.offerMillis(), verdict.previewMillis());
        return settings.checkRefusals() && isPristine && wouldHaveBeenRight(verdict.subject(), place)
                ? refused.failed("no false alarm", "the guard refuses a change that leaves the class files equal: "
                        + why)
                : refused;
    }

    /** Forces the change through in memory, as planned and without any qualifier, and looks at the class files. */
    private boolean wouldHaveBeenRight(Subject subject, Place place) {
        Plan plan = Chisel.operation(subject.operation()).plan(chisel.resolved(place), subject.answers(),
                new Analyst(chisel.snapshot(), libraries, Monitor.SILENT));
        if (!(plan instanceof Plan.Ready ready)) {
            return false;
        }
        CompiledCode forced = CompiledCode.of(ready.change().applyTo(chisel.snapshot()));
        List<Rename> renames = List.of(Rename.of(ready.change(), ready.before()));
        return oracles.together().stream().allMatch(oracle -> oracle.objection(baseline, forced, renames).isEmpty());
    }

    /** Where there is nothing for an operation it is not offered, and asking for it anyway is refused in peace. */
    Optional<Verdict> barren(Subject like, Place place) {
        Subject subject = new Subject(like.number(), like.operation(), place, "nothing",
                like.operation() + " where there is nothing for it", like.answers());
        Verdict verdict = new Verdict(corpus.name(), subject, Verdict.Result.REFUSED, "", Optional.empty(), 0, 0);
        try {
            boolean isOffered = chisel.offers(place).stream()
                    .anyMatch(offer -> offer.operation().equals(subject.operation()));
            boolean isDone = chisel.preview(place, subject.operation(), subject.answers()) instanceof Outcome.Preview;
            return isOffered || isDone
                    ? Optional.of(verdict.failed("nothing offered", "it is offered where there is nothing for it"))
                    : Optional.empty();
        } catch (RuntimeException crashed) {
            return Optional.of(verdict.failed("no crash", crashed.toString()));
        }
    }
}
