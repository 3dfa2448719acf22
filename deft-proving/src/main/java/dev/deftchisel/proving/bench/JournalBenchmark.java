package dev.deftchisel.proving.bench;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.journal.Entry;
import dev.deftchisel.journal.Journal;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.workspace.Workspace;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Writing a change over 1,000 files of 10 KiB, forced to the device, and taking it back. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3)
@Measurement(iterations = 5)
public class JournalBenchmark {

    private static final int FILES = 1_000;
    private static final int LENGTH = 10 << 10;

    private Path folder;
    private Journal journal;
    private Change change;

    /** Writes the files on a real disk, not in memory. */
    @Setup
    public void fill() throws IOException {
        folder = Files.createDirectories(Path.of("target", "journal-benchmark").toAbsolutePath());
        List<FileChange> files = new ArrayList<>();
        for (int i = 0; i < FILES; i++) {
            Path path = folder.resolve("Berth" + i + ".txt");
            byte[] bytes = ("low " + "~".repeat(LENGTH) + i).getBytes(StandardCharsets.UTF_8);
            Files.write(path, bytes);
            files.add(new FileChange(path, Optional.empty(), SourceText.decode(bytes, StandardCharsets.UTF_8),
                    List.of(Edit.of(new Range(0, 3), "high", Edit.Kind.RESOURCE))));
        }
        journal = new Journal(new Workspace(folder, List.of(), List.of()));
        change = new Change("let the tide in", files, SymbolEffects.same(), List.of());
    }

    /** Apply, then undo. */
    @Benchmark
    public Entry applyAndUndo() {
        journal.apply(change);
        return journal.undo();
    }

    /** Reference: the same bytes written twice to the same files, each forced to the device, with no way back. */
    @Benchmark
    public long plainWriting() throws IOException {
        long written = 0;
        for (int round = 0; round < 2; round++) {
            for (FileChange file : change.files()) {
                byte[] bytes = file.before().bytes();
                Path target = folder.resolve("plain").resolve(file.path().getFileName());
                Files.createDirectories(target.getParent());
                try (var channel = FileChannel.open(target, StandardOpenOption.CREATE,
                        StandardOpenOption.WRITE)) {
                    written += channel.write(ByteBuffer.wrap(bytes));
                    channel.force(true);
                }
            }
        }
        return written;
    }
}
