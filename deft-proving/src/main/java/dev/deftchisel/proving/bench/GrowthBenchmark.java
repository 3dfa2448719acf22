package dev.deftchisel.proving.bench;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Words;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.StandardLocation;
import javax.tools.ToolProvider;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What a developer waits for, over code of 1, 4 and 16 times the size, and two references over the same files. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgsAppend = "-Xmx8g")
@Warmup(iterations = 6)
@Measurement(iterations = 7)
public class GrowthBenchmark {

    /** How many times the corpus stands side by side. */
    @Param({"1", "4", "16"})
    private int copies;

    private OpenRequest request;
    private Chisel chisel;
    private Place place;

    /** Lays the code out and opens it. */
    @Setup
    public void open() throws IOException {
        request = GrownCorpus.lay(copies, Files.createTempDirectory("grown"));
        chisel = Chisel.open(request, Monitor.SILENT);
        place = chisel.place(GrownCorpus.member());
    }

    /** Opening a workspace: every file is read. */
    @Benchmark
    public int opening() {
        try (Chisel opened = Chisel.open(request, Monitor.SILENT)) {
            return opened.snapshot().files().size();
        }
    }

    /** What can be done at a place. */
    @Benchmark
    public List<Offer> offers() {
        chisel.refresh();
        return chisel.offers(place);
    }

    /** Where a member is used. */
    @Benchmark
    public Optional<Uses> uses() {
        chisel.refresh();
        return chisel.uses(place);
    }

    /** A rename computed and judged, nothing written. */
    @Benchmark
    public Outcome renamePreview() {
        chisel.refresh();
        Outcome outcome = chisel.preview(place, "rename", Answers.of("name", "zqName"));
        if (outcome instanceof Outcome.Refusal) {
            throw new IllegalStateException("refused: " + outcome);
        }
        return outcome;
    }

    /** Reference: reading every file and looking for the word. */
    @Benchmark
    public long textSearch() throws IOException {
        long found = 0;
        for (SourceFile file : chisel.snapshot().files()) {
            found += Words.contains(Files.readString(file.path()), "reset") ? 1 : 0;
        }
        return found;
    }

    /** Reference: compiling every file. */
    @Benchmark
    @Warmup(iterations = 2)
    @Measurement(iterations = 3)
    public boolean javac() throws IOException {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        Path out = Files.createTempDirectory("javac");
        try (StandardJavaFileManager files = compiler.getStandardFileManager(null, Locale.ROOT, null)) {
            files.setLocationFromPaths(StandardLocation.CLASS_OUTPUT, List.of(out));
            boolean done = compiler.getTask(null, files, null, List.of("-proc:none", "-nowarn"), null,
                    files.getJavaFileObjectsFromPaths(chisel.snapshot().files().stream().map(SourceFile::path)
                            .toList())).call();
            if (!done) {
                throw new IllegalStateException("the corpus does not compile");
            }
            return done;
        }
    }
}
