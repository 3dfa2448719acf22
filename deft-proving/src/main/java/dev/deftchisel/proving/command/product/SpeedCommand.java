package dev.deftchisel.proving.command.product;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.bench.CommandLines;
import dev.deftchisel.proving.bench.WatchedProcess;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.function.ToLongFunction;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/**
 * Times a preview of a rename against the compiler over the same files, in turn in the same run: as whole processes,
 * and in a process that is warm. Medians are given, and ratios, which mean more than seconds.
 */
@Command(name = "speed", mixinStandardHelpOptions = true,
        description = "Times rename previews against javac over the same files, as whole processes and warm.")
public final class SpeedCommand implements Callable<Integer> {

    private static final int WARM_UP = 24;

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--deft", required = true, description = "the launcher of deft")
    private Path deft;

    @Option(names = "--rounds", description = "how often each is timed (${DEFAULT-VALUE})")
    private int rounds = 5;

    @Option(names = "--member", required = true, description = "a member to rename, as in Javadoc; repeatable")
    private List<String> members = List.of();

    @Override
    public Integer call() throws IOException, InterruptedException {
        for (Corpus corpus : corpora.originals()) {
            measure(corpus.request());
        }
        return 0;
    }

    private void measure(OpenRequest request) throws IOException, InterruptedException {
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            List<String> javac = CommandLines.javac(chisel, List.of("-nowarn"));
            WatchedProcess.run(deft(request, members.get(0)));
            List<WatchedProcess> reference = new ArrayList<>();
            List<List<WatchedProcess>> whole = new ArrayList<>();
            members.forEach(member -> whole.add(new ArrayList<>()));
            for (int round = 0; round < rounds; round++) {
                reference.add(WatchedProcess.run(javac));
                for (int i = 0; i < members.size(); i++) {
                    whole.get(i).add(WatchedProcess.run(deft(request, members.get(i))));
                }
            }
            long millis = median(reference, WatchedProcess::millis);
            System.out.printf("javac -proc:none over %d files: %d ms, at most %d MiB%n", chisel.snapshot().files()
                    .size(),
                    millis, median(reference, WatchedProcess::peakKiB) >> 10);
            for (int i = 0; i < members.size(); i++) {
                long process = median(whole.get(i), WatchedProcess::millis);
                Warm warm = warm(chisel, members.get(i));
                System.out.printf("%s, %d files: whole process %d ms = 1/%.1f of javac, at most %d MiB; warm %d ms = "
                        + "1/%.1f%n",
                        members.get(i), warm.files(), process, (double) millis / process,
                        median(whole.get(i), WatchedProcess::peakKiB) >> 10, warm.millis(),
                        (double) millis / warm.millis());
            }
        }
    }

    private record Warm(int files, long millis) {
    }

    /** Texts are read anew before each preview, as after an edit elsewhere. */
    private Warm warm(Chisel chisel, String member) {
        List<Long> times = new ArrayList<>();
        int files = 0;
        Place place = chisel.place(member);
        for (int run = 0; run < WARM_UP + rounds; run++) {
            long start = System.nanoTime();
            chisel.refresh();
            Outcome outcome = chisel.preview(place, "rename", Answers.of("name", "zqName"));
            long millis = (System.nanoTime() - start) / 1_000_000;
            files = outcome instanceof Outcome.Preview preview ? preview.files() : 0;
            if (run >= WARM_UP) {
                times.add(millis);
            }
        }
        return new Warm(files, median(times, Long::longValue));
    }

    private List<String> deft(OpenRequest request, String member) {
        return CommandLines.deft(deft, request, List.of("rename", member, "zqName", "--yes", "--quiet"));
    }

    static <T> long median(List<T> values, ToLongFunction<T> of) {
        long[] sorted = values.stream().mapToLong(of).sorted().toArray();
        return sorted[sorted.length / 2];
    }
}
