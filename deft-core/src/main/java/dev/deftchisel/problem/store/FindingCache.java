package dev.deftchisel.problem.store;

import com.google.gson.Gson;
import com.google.gson.JsonParseException;
import dev.deftchisel.analysis.FileDependencies;
import dev.deftchisel.analysis.Fingerprints;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.problem.detection.Severities;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.surroundings.StateFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What was found in a workspace before, so that another run looks only at files that may mean something else by now
 * (see {@link Fingerprints}). Kept in {@code .deft/problems.json}; when that is missing, damaged, or was written under
 * other circumstances, it counts as empty, and when it cannot be written, the next run takes longer.
 */
public final class FindingCache {

    private static final Logger LOG = LoggerFactory.getLogger(FindingCache.class);
    private static final int FORMAT = 1;
    private static final Gson GSON = new Gson();

    private final Snapshot snapshot;
    private final StateFolder folder;
    private final Path path;
    private final String circumstances;
    private final Severities severities;
    private final Map<Path, String> fingerprints;
    private final Map<Path, FileDependencies> outlines;
    private final Map<String, Page> pages;

    private FindingCache(Snapshot snapshot, Rules rules, Severities severities) {
        this.snapshot = snapshot;
        this.folder = new StateFolder(snapshot.workspace());
        this.path = folder.path().resolve("problems.json");
        this.circumstances = CacheKey.of(snapshot, rules);
        this.severities = severities;
        this.pages = read();
        Map<Path, FileDependencies> known = new HashMap<>();
        pages.forEach((name, page) -> known.put(snapshot.workspace().root().resolve(name), page.outline()));
        Fingerprints now = new Fingerprints(snapshot, known);
        this.fingerprints = now.all();
        this.outlines = now.outlines();
    }

    /** The shape of the file; by the paths of the files as the workspace shows them. */
    private record Stored(int format, String circumstances, Map<String, Page> files) {
    }

    /** What was found in a file of a fingerprint. */
    private record Page(FileDependencies outline, String fingerprint, String settings, List<Entry> found) {

        /** Whether nothing is missing that a file of this format has. */
        boolean isWhole() {
            return outline != null && fingerprint != null && settings != null && found != null
                    && found.stream().allMatch(entry -> entry != null && entry.isWhole());
        }
    }

    /** A problem. */
    private record Entry(String rule, Tag tag, Severity severity, int start, int end, String sentence,
            List<String> fixes) {

        boolean isWhole() {
            return rule != null && tag != null && severity != null && sentence != null && fixes != null && start >= 0
                    && start <= end;
        }
    }

    /**
     * Opens the one of a workspace.
     *
     * @param snapshot   the code as it is now
     * @param rules      what is looked for
     * @param severities how much it matters
     */
    public static FindingCache open(Snapshot snapshot, Rules rules, Severities severities) {
        return new FindingCache(snapshot, rules, severities);
    }

    private Map<String, Page> read() {
        try {
            Stored stored = Files.exists(path) ? GSON.fromJson(Files.readString(path), Stored.class) : null;
            boolean isGood = stored != null && stored.format() == FORMAT && circumstances.equals(stored.circumstances())
                    && stored.files() != null;
            return isGood && stored.files().values().stream().allMatch(page -> page != null && page.isWhole())
                    ? new HashMap<>(stored.files()) : new HashMap<>();
        } catch (IOException | JsonParseException damaged) {
            LOG.debug("{} is not read and will be written anew", path, damaged);
            return new HashMap<>();
        }
    }

    /** What is wrong with a file; empty when it has to be looked at. */
    public Optional<List<Problem>> of(Path file) {
        SourceFile source = snapshot.source(file);
        return Optional.ofNullable(pages.get(name(file)))
                .filter(page -> fingerprints.get(file).equals(page.fingerprint()) && severities.said(file)
                        .equals(page.settings()))
                .map(page -> page.found().stream().map(entry -> problem(source, entry)).toList());
    }

    private static Problem problem(SourceFile file, Entry entry) {
        return new Problem(entry.rule(), entry.tag(), entry.severity(), file.path(),
                new Range(entry.start(), entry.end()),
                file.position(entry.start()), entry.sentence(), entry.fixes());
    }

    /** Writes down what is wrong with a file. */
    public void note(Path file, List<Problem> problems) {
        pages.put(name(file), new Page(outlines.get(file), fingerprints.get(file), severities.said(file),
                problems.stream().map(problem -> new Entry(
                problem.rule(), problem.tag(), problem.severity(), problem.range().start(), problem.range().end(),
                problem.sentence(), problem.fixes())).toList()));
    }

    /** Keeps it for the next run, without the files that are gone. */
    public void close() {
        Map<String, Page> kept = new TreeMap<>();
        outlines.forEach((file, outline) -> {
            Page page = pages.get(name(file));
            // of a file that was not in scope only the outline is known
            kept.put(name(file), page == null ? new Page(outline, "", "", List.of())
                    : new Page(outline, page.fingerprint(), page.settings(), page.found()));
        });
        try {
            folder.make();
            Path written = Files.createTempFile(folder.path(), "problems", ".new");
            Files.writeString(written, GSON.toJson(new Stored(FORMAT, circumstances, kept)));
            Files.move(written, path, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException failed) {
            LOG.warn("{} cannot be written, so that the next run looks at all files again: {}", path,
                    failed.getMessage());
        }
    }

    private String name(Path file) {
        return snapshot.workspace().show(file);
    }
}
