package dev.deftchisel.problem;

import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Where problems are looked for and fixed.
 *
 * @param stretches by file, the code that counts; an empty list for all of the file
 */
public record Scope(Map<Path, List<Range>> stretches) {

    /** Copies the map; keeps its order. */
    public Scope {
        Map<Path, List<Range>> copy = new LinkedHashMap<>();
        stretches.forEach((file, ranges) -> copy.put(file, List.copyOf(ranges)));
        stretches = Collections.unmodifiableMap(copy);
    }

    /** All of some files. */
    public static Scope of(Collection<Path> files) {
        Map<Path, List<Range>> whole = new LinkedHashMap<>();
        files.forEach(file -> whole.put(file, List.of()));
        return new Scope(whole);
    }

    /** A stretch of one file. */
    public static Scope of(Path file, Range stretch) {
        return new Scope(Map.of(file, List.of(stretch)));
    }

    /** The files. */
    public Set<Path> files() {
        return stretches.keySet();
    }

    /** Whether code of a file that starts at an offset counts. */
    public boolean contains(Path file, int offset) {
        List<Range> ranges = stretches.get(file);
        return ranges != null && (ranges.isEmpty() || ranges.stream().anyMatch(range -> range.touches(offset)));
    }
}
