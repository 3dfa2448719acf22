package dev.deftchisel.proving.annotated;

import dev.deftchisel.Chisel;
import dev.deftchisel.Problems;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/** Compares what rules find in code with what they find in the same code with annotated types. */
public final class SameFindings {

    /**
     * Their fixes take a type away, or write it otherwise: where it is annotated they leave it alone, so that no
     * annotation is lost.
     */
    private static final Set<String> KEEPING = Set.of("anonymous-function", "cast-after-test", "lambda-parameter-types",
            "repeated-type",
            "same-catches");

    private int found;
    private int annotatedFiles;

    /** How many problems were found before. */
    public int found() {
        return found;
    }

    /** In how many files types were annotated. */
    public int files() {
        return annotatedFiles;
    }

    /**
     * What differs, a line each: the rule, where, and in which of the two it was found.
     *
     * @param copy may be written to; its types are annotated afterwards
     */
    public List<String> differences(Corpus copy) throws IOException {
        Map<String, Integer> before = findings(copy.request());
        found += before.values().stream().mapToInt(Integer::intValue).sum();
        for (Path root : roots(copy.request())) {
            annotate(root);
        }
        Map<String, Integer> after = findings(copy.request());
        List<String> differences = new ArrayList<>();
        Stream.concat(before.keySet().stream(), after.keySet().stream()).distinct().sorted().forEach(key -> {
            int was = before.getOrDefault(key, 0);
            int is = after.getOrDefault(key, 0);
            boolean isKept = is < was && KEEPING.contains(key.substring(0, key.indexOf(' ')));
            if (was != is && !isKept) {
                differences.add(key + ": " + was + " without, " + is + " with annotations");
            }
        });
        return differences;
    }

    private static List<Path> roots(OpenRequest request) {
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            return chisel.workspace().modules().stream().flatMap(module -> module.roots().stream())
                    .filter(SourceRoot::isJava)
                    .map(SourceRoot::folder).toList();
        }
    }

    private void annotate(Path root) throws IOException {
        List<Path> files;
        try (Stream<Path> all = Files.walk(root)) {
            files = all.filter(path -> path.toString().endsWith(".java") && !path.endsWith("module-info.java"))
                    .toList();
        }
        for (Path file : files) {
            String text = AnnotatedTypes.annotated(Files.readString(file)).orElse("");
            if (!text.isEmpty()) {
                Files.writeString(file, text);
                annotatedFiles++;
            }
        }
        Path declaration = root.resolve(AnnotatedTypes.FILE);
        Files.createDirectories(declaration.getParent());
        Files.writeString(declaration, AnnotatedTypes.DECLARATION);
    }

    /** How often a rule reports on a line; annotations add no lines. */
    private static Map<String, Integer> findings(OpenRequest request) {
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            Problems problems = chisel.problems();
            Map<String, Integer> counts = new TreeMap<>();
            for (Problem problem : problems.in(problems.everywhere())) {
                if (problem.tag() != Tag.STYLE && !problem.file().endsWith("Marked.java")) {
                    counts.merge(problem.rule() + " " + request.folder().relativize(problem.file()) + ":"
                            + problem.position().line(), 1, Integer::sum);
                }
            }
            return counts;
        }
    }
}
