package dev.deftchisel.lsp.session;

import dev.deftchisel.workspace.Workspace;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import java.util.stream.Stream;

/**
 * Looks itself whether the files that a build was read from are as they were, for clients that do not tell, or tell too
 * late. Of the worker's thread.
 */
final class BuildWatch {

    private static final long PAUSE_NANOS = TimeUnit.SECONDS.toNanos(2);
    private static final List<String> BESIDE = List.of("pom.xml", "settings.gradle", "settings.gradle.kts",
            "build.gradle", "build.gradle.kts", "deft-project.json", ".editorconfig");
    private static final FileTime NOT_THERE = FileTime.fromMillis(0);

    private final LongSupplier nanos;
    private final Map<Path, FileTime> stamps = new HashMap<>();
    private long latest;

    /** @param nanos the time, as {@link System#nanoTime} tells it */
    BuildWatch(LongSupplier nanos) {
        this.nanos = nanos;
        this.latest = nanos.getAsLong();
    }

    /** From now on the files of a workspace are looked at, also those that are not there yet. */
    void remember(Workspace workspace) {
        Stream.concat(workspace.build().files().stream(), BESIDE.stream().map(workspace.root()::resolve))
                .forEach(file -> stamps.put(file, stamp(file)));
    }

    /** The files that are other ones than when this was asked before; nothing is looked at more than every 2 s. */
    List<Path> changed() {
        if (nanos.getAsLong() - latest < PAUSE_NANOS) {
            return List.of();
        }
        latest = nanos.getAsLong();
        List<Path> changed = stamps.entrySet().stream()
                .filter(known -> !stamp(known.getKey()).equals(known.getValue())).map(Map.Entry::getKey).toList();
        changed.forEach(file -> stamps.put(file, stamp(file)));
        return changed;
    }

    private static FileTime stamp(Path file) {
        try {
            return Files.exists(file) ? Files.getLastModifiedTime(file) : NOT_THERE;
        } catch (IOException gone) {
            return NOT_THERE;
        }
    }
}
