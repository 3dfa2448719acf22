package dev.deftchisel.problem.store;

import com.google.gson.Gson;
import com.google.gson.GsonBuilder;
import com.google.gson.JsonParseException;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The problems that a code base has already and is not to be told of again. A problem is known by its rule, its file
 * and the text of its line, so that it stays known when other lines move it, and comes back when its line changes. The
 * file is JSON, sorted, one problem a line, to be read in reviews and merged by tools.
 */
public final class Baseline {

    private static final int FORMAT = 1;
    private static final Gson GSON = new GsonBuilder().setPrettyPrinting().disableHtmlEscaping().create();

    private final Map<ProblemIdentity, Integer> known;

    private Baseline(Map<ProblemIdentity, Integer> known) {
        this.known = known;
    }

    /** What a problem is known by. */
    private record ProblemIdentity(String path, String rule, String line) {
    }

    /** The shape of the file. */
    private record Stored(int format, List<Entry> known) {
    }

    /** One kind of line in one file. */
    private record Entry(String path, String rule, String line, int count) {
    }

    /** Knows some problems. */
    public static Baseline of(List<Problem> problems, Snapshot snapshot) {
        Map<ProblemIdentity, Integer> known = new HashMap<>();
        problems.forEach(problem -> known.merge(known(problem, snapshot), 1, Integer::sum));
        return new Baseline(known);
    }

    /**
     * Reads a file.
     *
     * @throws BaselineException when it is not there, or is not what this class writes
     */
    public static Baseline read(Path file) {
        try {
            Stored stored = GSON.fromJson(Files.readString(file), Stored.class);
            if (stored == null || stored.format() != FORMAT || stored.known() == null) {
                throw new BaselineException(file + " is no baseline of this version; write it anew");
            }
            Map<ProblemIdentity, Integer> known = new HashMap<>();
            for (Entry entry : stored.known()) {
                if (entry.path() == null || entry.rule() == null || entry.line() == null) {
                    throw new BaselineException(file + " is damaged: an entry lacks its path, rule or line; write it "
                            + "anew");
                }
                known.merge(new ProblemIdentity(entry.path(), entry.rule(), entry.line()), entry.count(), Integer::sum);
            }
            return new Baseline(known);
        } catch (NoSuchFileException missing) {
            throw new BaselineException("there is no baseline " + file);
        } catch (IOException | JsonParseException failed) {
            throw new BaselineException(file + " cannot be read as a baseline: " + failed.getMessage());
        }
    }

    /**
     * Writes it.
     *
     * @throws BaselineException when that fails
     */
    public void write(Path file) {
        List<Entry> entries = known.entrySet().stream()
                .map(one -> new Entry(one.getKey().path(), one.getKey().rule(), one.getKey().line(), one.getValue()))
                .sorted(Comparator.comparing(Entry::path).thenComparing(Entry::rule).thenComparing(Entry::line))
                .toList();
        try {
            Files.writeString(file, GSON.toJson(new Stored(FORMAT, entries)) + "\n");
        } catch (IOException failed) {
            throw new BaselineException(file + " cannot be written: " + failed.getMessage());
        }
    }

    /** The problems that are not known; of several alike only those that are more than before, the last ones. */
    public List<Problem> unknown(List<Problem> problems, Snapshot snapshot) {
        Map<ProblemIdentity, Integer> left = new HashMap<>(known);
        return problems.stream()
                .filter(problem -> left.merge(known(problem, snapshot), -1, Integer::sum) < 0)
                .toList();
    }

    /** How many problems are known. */
    public int size() {
        return known.values().stream().mapToInt(Integer::intValue).sum();
    }

    private static ProblemIdentity known(Problem problem, Snapshot snapshot) {
        SourceFile file = snapshot.source(problem.file());
        return new ProblemIdentity(snapshot.workspace().show(problem.file()), problem.rule(),
                file.lines().text(problem.position().line()).strip());
    }
}
