package dev.deftchisel.proving.command.product;

import dev.deftchisel.Chisel;
import dev.deftchisel.Problems;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.proving.bench.CommandLines;
import dev.deftchisel.proving.bench.WatchedProcess;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/**
 * Times the search for problems against the compiler with all its warnings over the same files, in turn in the same
 * run: from nothing, again, after an edit in one file, and of one open file in a process that is warm.
 */
@Command(name = "pace", mixinStandardHelpOptions = true,
        description = "Times problems against javac -Xlint:all over the same files: from nothing, again, after an "
        + "edit, and warm.")
public final class PaceCommand implements Callable<Integer> {

    private static final int WARM_UP = 30;
    private static final int LINES = 2000;

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--deft", required = true, description = "the launcher of deft")
    private Path deft;

    @Option(names = "--rounds", description = "how often each is timed (${DEFAULT-VALUE})")
    private int rounds = 3;

    @Option(names = "--edits", description =
            "how many files are edited in each round, one at a time (${DEFAULT-VALUE})")
    private int edits = 5;

    @Option(names = "--seed", description = "draws the files that are edited (${DEFAULT-VALUE})")
    private long seed = 1;

    @Override
    public Integer call() throws IOException, InterruptedException {
        for (Corpus copy : corpora.copies()) {
            processes(copy.request());
            warm(copy.request());
        }
        return 0;
    }

    private void processes(OpenRequest request) throws IOException, InterruptedException {
        List<String> look = CommandLines.deft(deft, request, List.of("problems", "--quiet", "--fail-at", "off"));
        List<Long> javac = new ArrayList<>();
        List<Long> cold = new ArrayList<>();
        List<Long> again = new ArrayList<>();
        List<Long> edited = new ArrayList<>();
        Random random = new Random(seed);
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            List<String> compiler = CommandLines.javac(chisel, List.of("-Xlint:all", "-Xmaxwarns", "1000000"));
            List<SourceFile> files = editable(chisel);
            WatchedProcess.run(look);
            for (int round = 0; round < rounds; round++) {
                javac.add(WatchedProcess.run(compiler).millis());
                Files.deleteIfExists(request.folder().resolve(".deft/problems.json"));
                cold.add(WatchedProcess.run(look).millis());
                again.add(WatchedProcess.run(look).millis());
                for (int edit = 0; edit < edits; edit++) {
                    SourceFile file = files.get(random.nextInt(files.size()));
                    Files.writeString(file.path(), edited(file, random), file.module().encoding());
                    edited.add(WatchedProcess.run(look).millis());
                    Files.writeString(file.path(), file.content(), file.module().encoding());
                    WatchedProcess.run(look);
                }
            }
            System.out.printf("%d files: javac -Xlint:all %d ms; deft problems %d ms (%.2f of javac), again %d ms "
                    + "(1/%.1f of that), "
                    + "after one edit %d ms (1/%.1f), longest %d ms%n", chisel.snapshot().files().size(), median(javac),
                    median(cold),
                    (double) median(cold) / median(javac), median(again), (double) median(cold) / median(again),
                    median(edited),
                    (double) median(cold) / median(edited), Collections.max(edited));
        }
    }

    /** The file that stands for one that is open in an editor: of about 2,000 lines. */
    static SourceFile open(Chisel chisel) {
        return chisel.snapshot().files().stream()
                .min(Comparator.comparingInt(file -> Math.abs(file.lines().count() - LINES))).orElseThrow();
    }

    private static List<SourceFile> editable(Chisel chisel) {
        return chisel.snapshot().files().stream().filter(file -> !file.outline().bodies().isEmpty()).toList();
    }

    /** One more statement in a body. */
    private static String edited(SourceFile file, Random random) {
        List<Range> bodies = file.outline().bodies();
        int end = bodies.get(random.nextInt(bodies.size())).start();
        return file.content().substring(0, end) + " ;" + file.content().substring(end);
    }

    /**
     * The same process goes on: everything is looked at after an edit in one file, and one file as it is typed in, each
     * time with another text.
     */
    private void warm(OpenRequest request) {
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            List<SourceFile> files = editable(chisel);
            Random random = new Random(seed);
            long from = System.nanoTime();
            int all = chisel.problems().in(chisel.problems().everywhere()).size();
            long first = (System.nanoTime() - from) / 1_000_000;
            chisel.problems().sinceLast(chisel.problems().everywhere());
            long[] insight = new long[WARM_UP];
            for (int run = 0; run < 2 * WARM_UP; run++) {
                SourceFile edited = files.get(random.nextInt(files.size()));
                Snapshot now = chisel.snapshot().with(Map.of(edited.path(), Optional.of(edited(edited, random))),
                        Map.of());
                long start = System.nanoTime();
                Problems problems = chisel.problems(now);
                problems.sinceLast(problems.everywhere());
                insight[run % WARM_UP] = (System.nanoTime() - start) / 1_000_000;
            }
            Arrays.sort(insight);
            System.out.printf("in one process: everything for the first time %d ms, %d problems; after one edit %d ms "
                    + "(1/%.1f), "
                    + "at most %d ms%n",
                    first, all, insight[WARM_UP / 2], (double) first / insight[WARM_UP / 2], insight[WARM_UP - 1]);
            SourceFile file = open(chisel);
            long[] times = new long[WARM_UP];
            int found = 0;
            for (int run = 0; run < 2 * WARM_UP; run++) {
                String text = file.content() + "\n".repeat(run + 1);
                long start = System.nanoTime();
                List<Problem> problems = chisel.problems(chisel.snapshot()
                        .with(Map.of(file.path(), Optional.of(text)), Map.of()))
                        .in(ProblemScope.of(List.of(file.path())));
                times[run % WARM_UP] = (System.nanoTime() - start) / 1_000_000;
                found = problems.size();
            }
            Arrays.sort(times);
            System.out.printf("one file of %d lines, warm: %d ms median, %d ms at most, %d problems%n", file.lines()
                    .count(),
                    times[WARM_UP / 2], times[WARM_UP - 1], found);
        }
    }

    private static long median(List<Long> values) {
        return SpeedCommand.median(values, Long::longValue);
    }
}
