package dev.deftchisel.problem.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Problems;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.problem.detection.Severities;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.surroundings.EditorProperties;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was found before is told again, and only what may have changed is looked at. */
class FindingCacheTest {

    private static final String QUAY = """
            class Quay {
                int depth(Berth berth) {
                    int spare = 0;
                    return berth.depth();
                }
            }
            """;
    private static final String BERTH = """
            class Berth {
                int depth() {
                    return 7;
                }
            }
            """;

    @TempDir
    private Path folder;
    private SampleWorkspace workspace;

    @BeforeEach
    void write() throws IOException {
        workspace = new SampleWorkspace(folder);
        workspace.write("Quay.java", QUAY);
        workspace.write("Berth.java", BERTH);
        workspace.write("Tide.java", "class Tide {\n}\n");
        look();
    }

    private List<String> look() {
        try (Chisel chisel = Chisel.open(workspace.request(), Monitor.SILENT)) {
            Problems problems = chisel.problems();
            List<Problem> found = problems.sinceLast(problems.everywhere());
            assertEquals(chisel.problems().in(problems.everywhere()), found, "the same as by looking at everything");
            return found.stream().map(problem -> problem.file().getFileName() + ":" + problem.position() + " "
                    + problem.rule()).toList();
        }
    }

    /** The files that have to be looked at since they may have changed; then they are. */
    private Set<String> lookedAt() {
        Snapshot now = workspace.snapshot();
        FindingCache cache = FindingCache.open(now, Rules.installed(),
                Severities.of(new EditorProperties(workspace.root())));
        Set<String> names = new TreeSet<>();
        now.files().stream().filter(file -> cache.of(file.path()).isEmpty())
                .forEach(file -> names.add(file.path().getFileName().toString()));
        look();
        return names;
    }

    @Test
    void nothingIsLookedAtAgain() {
        assertEquals(Set.of(), lookedAt());
        assertEquals(List.of("Quay.java:3:13 unused-variable"), look());
    }

    @Test
    void aBodyIsTheBusinessOfItsFile() throws IOException {
        workspace.write("Berth.java", BERTH.replace("return 7;", "int spare = 1;\n        return 7;"));
        assertEquals(Set.of("Berth.java"), lookedAt());
        assertEquals(List.of("Berth.java:3:13 unused-variable", "Quay.java:3:13 unused-variable"), look());
    }

    @Test
    void aDeclarationIsTheBusinessOfWhoeverReachesIt() throws IOException {
        workspace.write("Berth.java", BERTH.replace("int depth()", "String depth()").replace("7", "\"7\""));
        assertEquals(Set.of("Berth.java", "Quay.java"), lookedAt());
        assertTrue(look().contains("Quay.java:4:27 prob.found.req"), () -> look().toString());
    }

    @Test
    void whatIsPrivateIsNot() throws IOException {
        workspace.write("Berth.java", BERTH.replace("class Berth {", "class Berth {\n    private int length = 3;\n"));
        assertEquals(Set.of("Berth.java"), lookedAt());
        workspace.write("Berth.java", BERTH.replace("class Berth {", "class Berth {\n    private int spare = 3;\n"));
        assertEquals(Set.of("Berth.java", "Quay.java"), lookedAt(), "the name stands in the other one");
    }

    @Test
    void aTypeThatComesOrGoesIsTheBusinessOfWhoeverNamesIt() throws IOException {
        workspace.write("Tide.java", "class Tide {\n    Moon moon;\n}\n");
        look();
        workspace.write("Moon.java", "class Moon {\n}\n");
        assertEquals(Set.of("Moon.java", "Tide.java"), lookedAt());
        Files.delete(folder.toRealPath().resolve("Berth.java"));
        assertTrue(look().stream().anyMatch(line -> line.startsWith("Quay.java:2:15 cant.resolve")), () -> look()
                .toString());
    }

    @Test
    void settingsAreTheBusinessOfTheirFolder() throws IOException {
        workspace.write(".editorconfig", "root = true\n[Quay.java]\ndeft_unused-variable = off\n");
        assertEquals(Set.of("Quay.java"), lookedAt());
        assertEquals(List.of(), look());
    }

    @Test
    void aDamagedLogbookCountsAsNone() throws IOException {
        for (String text : List.of("{", "[]", "{\"format\": 1, \"files\": {\"Quay.java\": null}}", "")) {
            Files.writeString(folder.toRealPath().resolve(".deft/problems.json"), text);
            assertEquals(Set.of("Berth.java", "Quay.java", "Tide.java"), lookedAt());
        }
        assertFalse(Files.readString(folder.toRealPath().resolve(".deft/problems.json")).isEmpty());
    }
}
