package dev.deftchisel.proving.fault;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.DeepStack;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.guard.Guard;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.oracle.NoNewDiagnostics;
import dev.deftchisel.proving.oracle.Rename;
import dev.deftchisel.proving.oracle.SameClasses;
import dev.deftchisel.proving.subject.Draw;
import dev.deftchisel.proving.subject.MoveSubjects;
import dev.deftchisel.proving.subject.RenameSubjects;
import dev.deftchisel.proving.subject.SignatureSubjects;
import dev.deftchisel.proving.subject.Subject;
import dev.deftchisel.proving.subject.Subjects;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.workspace.Snapshot;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/** Plants each kind of fault in the plans of random changes and asks the guard. Nothing is written. */
public final class FaultTrials {

    private final Corpus corpus;
    private final long seed;
    private final Function<Snapshot, CompiledCode> compiler;
    private final Runnable listener;
    private final Damaged damaged;

    /** What is damaged. */
    public enum Damaged {
        /** Renames, after which class files must be the same but for the names. */
        RENAMES("rename"),
        /** Changes of signatures; a fault is harmful when class files differ from those of the change without it. */
        SIGNATURES("change-signature"),
        /** Types that move, judged in the same way. */
        MOVES("move-type");

        private final String operation;

        Damaged(String operation) {
            this.operation = operation;
        }

        private List<Fault> faults() {
            return switch (this) {
                case RENAMES -> Faults.all();
                case SIGNATURES -> SignatureFaults.all();
                case MOVES -> MoveFaults.all();
            };
        }

        private Subjects subjects(Analyst analyst, long seed) {
            return switch (this) {
                case RENAMES -> new RenameSubjects(analyst, Draw.of(seed), 0, Set.of());
                case SIGNATURES -> new SignatureSubjects(analyst, Draw.of(seed));
                case MOVES -> new MoveSubjects(analyst, Draw.of(seed));
            };
        }
    }

    /**
     * @param corpus   only read
     * @param damaged  which changes
     * @param seed     makes a run repeatable
     * @param compiler as the corpus is compiled
     * @param listener called after each change
     */
    public FaultTrials(Corpus corpus, Damaged damaged, long seed, Function<Snapshot, CompiledCode> compiler,
            Runnable listener) {
        this.corpus = corpus;
        this.damaged = damaged;
        this.seed = seed;
        this.compiler = compiler;
        this.listener = listener;
    }

    /**
     * What became of one kind of fault.
     *
     * @param planted  how often it was planted
     * @param harmful  how many of these changed class files or did not compile
     * @param caught   how many of the harmful ones the guard refused
     * @param escaped  the harmful ones that it let through, one line each
     */
    public record Tally(int planted, int harmful, int caught, List<String> escaped) {

        Tally plus(boolean isHarmful, boolean isCaught, String what) {
            List<String> all = new ArrayList<>(escaped);
            if (isHarmful && !isCaught) {
                all.add(what);
            }
            return new Tally(planted + 1, harmful + (isHarmful ? 1 : 0), caught + (isHarmful && isCaught ? 1 : 0), all);
        }

        /** Both counted together. */
        public Tally plus(Tally other) {
            List<String> all = new ArrayList<>(escaped);
            all.addAll(other.escaped);
            return new Tally(planted + other.planted, harmful + other.harmful, caught + other.caught, all);
        }
    }

    /** Plants faults in this many changes; by kind of fault. */
    public Map<String, Tally> run(int count) {
        Map<String, Tally> tallies = new LinkedHashMap<>();
        damaged.faults().forEach(fault -> tallies.put(fault.name(), new Tally(0, 0, 0, List.of())));
        Operation operation = Chisel.operation(damaged.operation);
        try (Libraries libraries = new Libraries(); Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
            CompiledCode baseline = compiler.apply(chisel.snapshot());
            Analyst analyst = new Analyst(chisel.snapshot(), libraries, Monitor.SILENT);
            Subjects subjects = damaged.subjects(analyst, seed);
            for (int number = 0; number < count; number++) {
                Subject subject = subjects.subject(number);
                Plan plan = DeepStack.call(() -> operation.plan(chisel.resolved(subject.place()), subject.answers(),
                        analyst));
                if (plan instanceof Plan.Ready ready && isLetThrough(analyst, ready, ready.change())) {
                    plant(analyst, baseline, ready, subject, tallies);
                }
                listener.run();
            }
        }
        return tallies;
    }

    private void plant(
            Analyst analyst, CompiledCode baseline, Plan.Ready ready, Subject subject, Map<String, Tally> tallies) {
        Random random = new Random(seed * 31 + subject.number());
        for (Fault fault : damaged.faults()) {
            Optional<Change> faulty = fault.damage(ready.change(), ready.before(), random);
            if (faulty.isPresent()) {
                boolean isHarmful = isHarmful(baseline, ready, faulty.get());
                boolean isCaught = !isLetThrough(analyst, ready, faulty.get());
                String what = corpus.name() + " #" + subject.number() + " " + ready.change()
                        .title() + ", " + fault.name() + difference(ready, faulty.get());
                tallies.compute(fault.name(), (name, tally) -> tally.plus(isHarmful, isCaught, what));
            }
        }
    }

    /** The edits that are only in one of two changes. */
    private static String difference(Plan.Ready ready, Change damaged) {
        StringBuilder text = new StringBuilder();
        for (FileChange file : damaged.files()) {
            ready.change().file(file.path()).ifPresent(correct -> Stream.concat(
                    correct.takenEdits().stream().filter(edit -> !file.takenEdits().contains(edit)),
                    file.takenEdits().stream().filter(edit -> !correct.takenEdits().contains(edit)))
                    .forEach(edit -> text.append(" at ")
                    .append(ready.before().snapshot().workspace().show(file.path())).append(':')
                    .append(LineMap.of(file.before().content()).position(edit.range().start()))));
        }
        return text.toString();
    }

    private static boolean isLetThrough(Analyst analyst, Plan.Ready ready, Change change) {
        return DeepStack.call(() -> new Guard(analyst).check(ready.before(), change)).stream()
                .noneMatch(Difference::isBlocking);
    }

    private boolean isHarmful(CompiledCode baseline, Plan.Ready ready, Change faulty) {
        CompiledCode after = compiler.apply(faulty.applyTo(ready.before().snapshot()));
        if (damaged != Damaged.RENAMES) {
            return !after.errors().isEmpty() || SameClasses.WITHOUT_PROCESSORS.objection(
                    compiler.apply(ready.change().applyTo(ready.before().snapshot())), after, List.of()).isPresent();
        }
        List<Rename> renames = List.of(Rename.of(faulty, ready.before()));
        return new NoNewDiagnostics().objection(baseline, after, renames).isPresent() && !after.errors().isEmpty()
                || SameClasses.WITHOUT_PROCESSORS.objection(baseline, after, renames).isPresent();
    }
}
