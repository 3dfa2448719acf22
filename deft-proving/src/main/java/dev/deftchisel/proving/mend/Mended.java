package dev.deftchisel.proving.mend;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;

/** Breaks a file in memory, takes what is offered at the first error, and compiles again. */
public final class Mended {

    /** How many of the fixes count. */
    private static final int MOST_FIXES = 3;
    private static final int MOST_DRAWS = 60;

    private final Corpus corpus;
    private final long seed;
    private final Consumer<Result> listener;

    /** @param listener is told of each try */
    public Mended(Corpus corpus, long seed, Consumer<Result> listener) {
        this.corpus = corpus;
        this.seed = seed;
        this.listener = listener;
    }

    /**
     * What became of one planting.
     *
     * @param kind  how the code was broken
     * @param place where
     * @param error the compiler's code of the first error
     * @param fix   which of its fixes mended all, from 1 on; 0 when none of the first did
     * @param words what the fixes were
     */
    public record Result(String kind, String place, String error, int fix, String words) {
    }

    /** Tries some, as many of each kind as of any other where the code has such places. */
    public List<Result> run(int count) {
        List<Result> results = new ArrayList<>();
        try (Libraries libraries = new Libraries(); Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
            List<SourceFile> files = chisel.snapshot().files().stream().filter(file -> !file.isModuleInfo()).toList();
            Analyst analyst = new Analyst(chisel.snapshot(), libraries, Monitor.SILENT);
            for (int number = 0; number < count; number++) {
                Random random = new Random(seed * 1_000_003 + number);
                Planting planting = Planting.values()[number % Planting.values().length];
                for (int draw = 0; draw < MOST_DRAWS; draw++) {
                    Optional<Result> result = attempt(chisel, analyst, files.get(random.nextInt(files.size())),
                            planting, random);
                    if (result.isPresent()) {
                        results.add(result.get());
                        listener.accept(result.get());
                        break;
                    }
                }
            }
        }
        return results;
    }

    /** Empty when the file has no such place, or compiles as well without what was taken away. */
    private static Optional<Result> attempt(Chisel chisel, Analyst analyst, SourceFile file, Planting planting,
            Random random) {
        Analysis before = analyst.analyse(Focus.whole(Set.of(file.path())));
        Optional<AttributedFile> code = before.code(file.path());
        List<Planting.Break> places = code.map(known -> planting.in(known, random)).orElse(List.of());
        if (places.isEmpty() || !before.errors().isEmpty()) {
            return Optional.empty();
        }
        Planting.Break broken = places.get(random.nextInt(places.size()));
        Snapshot snapshot = analyst.snapshot().with(
                Map.of(file.path(), Optional.of(broken.in(file.content()))), Map.of());
        Problems problems = chisel.problems(snapshot);
        Optional<Problem> error = problems.in(ProblemScope.of(List.of(file.path()))).stream()
                .filter(problem -> problem.tag() == Tag.ERROR).findFirst();
        return error.map(problem -> new Result(planting.name(), file + ":" + problem.position(), problem.rule(),
                mending(analyst, problems, snapshot, problem), String.join(" | ", problem.fixes())));
    }

    private static int mending(Analyst analyst, Problems problems, Snapshot snapshot, Problem error) {
        for (int fix = 0; fix < Math.min(MOST_FIXES, error.fixes().size()); fix++) {
            if (problems.fix(error, fix) instanceof Outcome.Preview preview
                    && compiles(analyst.of(preview.change().applyTo(snapshot)), error.file())) {
                return fix + 1;
            }
        }
        return 0;
    }

    private static boolean compiles(Analyst analyst, Path file) {
        List<CompilerError> errors = analyst.analyse(Focus.whole(Set.of(file)).deeply()).errors();
        return errors.isEmpty();
    }
}
