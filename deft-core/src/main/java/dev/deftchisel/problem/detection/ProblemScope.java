package dev.deftchisel.problem.detection;

import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Where problems are looked for and fixed.
 *
 * @param stretches by file, the code that counts; an empty list for all of the file
 */
public record ProblemScope(Map<Path, List<Range>> stretches) {

    /** Copies the map; keeps its order. */
    public ProblemScope {
        Map<Path, List<Range>> copy = new LinkedHashMap<>();
        stretches.forEach((file, ranges) -> copy.put(file, List.copyOf(ranges)));
        stretches = Collections.unmodifiableMap(copy);
    }

    /** All of some files. */
    public static ProblemScope of(Collection<Path> files) {
        Map<Path, List<Range>> whole = new LinkedHashMap<>();
        files.forEach(file -> whole.put(file, List.of()));
        return new ProblemScope(whole);
    }

    /** A stretch of one file. */
    public static ProblemScope of(Path file, Range stretch) {
        return new ProblemScope(Map.of(file, List.of(stretch)));
    }

    /** The same without a file, or all files of a folder. */
    public ProblemScope without(Path path) {
        Map<Path, List<Range>> left = new LinkedHashMap<>(stretches);
        left.keySet().removeIf(file -> file.startsWith(path));
        return new ProblemScope(left);
    }

    /**
     * The same without a stretch of a file.
     *
     * @param length of the file
     */
    public ProblemScope without(Path file, Range stretch, int length) {
        if (!stretches.containsKey(file)) {
            return this;
        }
        List<Range> own = stretches.get(file).isEmpty() ? List.of(new Range(0, length)) : stretches.get(file);
        List<Range> left = own.stream().flatMap(range -> Stream.of(
                        new Range(range.start(), Math.max(range.start(), Math.min(range.end(), stretch.start()))),
                        new Range(Math.min(range.end(), Math.max(range.start(), stretch.end())), range.end())))
                .filter(range -> range.length() > 0).toList();
        Map<Path, List<Range>> all = new LinkedHashMap<>(stretches);
        if (left.isEmpty()) {
            all.remove(file);
        } else {
            all.put(file, left);
        }
        return new ProblemScope(all);
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
