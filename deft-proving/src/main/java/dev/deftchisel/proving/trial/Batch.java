package dev.deftchisel.proving.trial;

import dev.deftchisel.Chisel;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.oracle.Rename;
import dev.deftchisel.proving.subject.Subject;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Some trials whose changes are applied one after the other and then compiled and compared together. When that fails,
 * it is done again in halves, to find the culprit. In the end everything is undone.
 */
final class Batch {

    private static final Logger LOG = LoggerFactory.getLogger(Batch.class);

    private final Chisel chisel;
    private final Attempt attempt;
    private final Oracles oracles;
    private final CompiledCode baseline;
    private final List<Verdict> verdicts = new ArrayList<>();
    private final List<Attempt.Standing> standing = new ArrayList<>();
    private final List<Verdict> pending = new ArrayList<>();

    Batch(Chisel chisel, Attempt attempt, Oracles oracles, CompiledCode baseline) {
        this.chisel = chisel;
        this.attempt = attempt;
        this.oracles = oracles;
        this.baseline = baseline;
    }

    List<Verdict> run(List<Subject> subjects) throws IOException {
        for (Subject subject : subjects) {
            Optional<Place> place = Moved.place(
                    subject.place(), standing.stream().flatMap(one -> one.changes().stream()).toList());
            if (place.isEmpty()) {
                // an earlier rename of the batch wrote something else there, so this one needs the untouched corpus
                settle();
                place = Optional.of(subject.place());
            }
            Attempt.Done done = attempt.run(subject, place.get(), standing.isEmpty());
            done.standing().ifPresentOrElse(change -> {
                standing.add(change);
                pending.add(done.verdict());
            }, () -> verdicts.add(done.verdict()));
        }
        settle();
        return List.copyOf(verdicts);
    }

    /** Judges what stands, and takes it back; what is wrong is looked for in one half and the other. */
    private void settle() throws IOException {
        Optional<Verdict> objection = objection(pending);
        takeBack();
        List<Verdict> suspects = List.copyOf(pending);
        pending.clear();
        if (objection.isEmpty()) {
            verdicts.addAll(suspects);
        } else if (suspects.size() == 1) {
            verdicts.add(objection.get());
        } else {
            LOG.warn("{} changes fail together, looking for the one: {}", suspects.size(), objection.get().why());
            int known = verdicts.size();
            half(suspects.subList(0, suspects.size() / 2));
            half(suspects.subList(suspects.size() / 2, suspects.size()));
            if (verdicts.subList(known, verdicts.size()).stream()
                    .noneMatch(one -> one.result() == Verdict.Result.FAILED)) {
                verdicts.add(objection.get().failed(objection.get().oracle().orElseThrow(),
                        "only together with the others of its batch: " + objection.get().why()));
            }
        }
    }

    private void half(List<Verdict> suspects) throws IOException {
        verdicts.addAll(new Batch(chisel, attempt, oracles, baseline)
                .run(suspects.stream().map(Verdict::subject).toList()));
    }

    private Optional<Verdict> objection(List<Verdict> judged) {
        if (standing.isEmpty()) {
            return Optional.empty();
        }
        CompiledCode after = CompiledCode.of(chisel.snapshot());
        List<Rename> renames = standing.stream().flatMap(one -> one.renames().stream()).toList();
        return oracles.together().stream()
                .flatMap(oracle -> oracle.objection(baseline, after, renames).stream()
                        .map(what -> judged.get(0).failed(oracle.name(), what)))
                .findFirst();
    }

    private void takeBack() {
        standing.forEach(one -> one.outcomes().forEach(outcome -> chisel.undo()));
        standing.clear();
    }
}
