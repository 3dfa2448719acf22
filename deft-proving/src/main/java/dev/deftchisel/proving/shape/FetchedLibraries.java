package dev.deftchisel.proving.shape;

import dev.deftchisel.maven.Artifacts;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;

/** Real libraries by their coordinates; those that are not on this machine are fetched. */
public final class FetchedLibraries {

    private final Map<String, Path> known = new HashMap<>();

    /**
     * The archive of one.
     *
     * @throws IllegalStateException when it cannot be had
     */
    public Path find(String coordinates) {
        return known.computeIfAbsent(coordinates, one -> Artifacts.open(false).find(one)
                .or(() -> Artifacts.open(true).find(one))
                .orElseThrow(() -> new IllegalStateException(one + " is not on this machine, and cannot be fetched")));
    }
}
