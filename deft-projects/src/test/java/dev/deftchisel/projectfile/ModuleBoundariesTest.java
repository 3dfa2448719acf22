package dev.deftchisel.projectfile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Modules are analysed together, and yet each sees only what its build lets it see. */
class ModuleBoundariesTest {

    @TempDir
    private Path temporary;
    private Path root;

    @BeforeEach
    void modules() throws IOException {
        root = temporary.toRealPath();
        write("deft-project.json", """
                {"modules": [
                  {"name": "gauges", "folder": "gauges", "sources": ["src"], "level": 17},
                  {"name": "berths", "folder": "berths", "sources": ["src"], "tests": ["test"], "level": 17, "uses": ["gauges"]},
                  {"name": "office", "folder": "office", "sources": ["src"], "level": 17, "uses": ["berths"]}
                ]}
                """);
        write("gauges/src/gauges/Gauge.java", "package gauges;\npublic class Gauge {\n    public static int read() "
                + "{\n        return 3;\n    }\n}\n");
        write("berths/src/berths/Berth.java", """
                package berths;
                public class Berth {
                    public static int depth() {
                        return gauges.Gauge.read();
                    }
                    public static int twice(int depth) {
                        return depth * 2;
                    }
                }
                """);
        write("berths/test/berths/BerthCheck.java", "package berths;\npublic class BerthCheck { }\n");
        write("office/src/office/Office.java", """
                package office;
                class Office {
                    int depth = berths.Berth.depth();
                    int twice = berths.Berth.twice(4);
                }
                """);
    }

    private void write(String path, String content) throws IOException {
        Path file = root.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content);
    }

    private List<String> errors() {
        try (Chisel chisel = Chisel.open(OpenRequest.at(root), Monitor.SILENT)) {
            return chisel.problems().in(chisel.problems().everywhere()).stream()
                    .filter(problem -> problem.rule().equals("unseen-type"))
                    .map(Problem::sentence).toList();
        }
    }

    @Test
    void codeIsNotInlinedWhereItsNamesAreNotSeen() {
        try (Chisel chisel = Chisel.open(OpenRequest.at(root), Monitor.SILENT)) {
            Outcome.Refusal refusal = assertInstanceOf(Outcome.Refusal.class,
                    chisel.preview(chisel.place("berths.Berth#depth()"), "inline", Answers.none()));
            assertTrue(refusal.reasons().stream().anyMatch(reason -> reason.sentence().equals(
                    "this would no longer compile: gauges.Gauge is in gauges, which office does not use")),
                    refusal.reasons().toString());
            assertInstanceOf(Outcome.Preview.class, chisel.preview(chisel.place("berths.Berth#twice(int)"), "inline",
                    Answers.none()));
        }
    }

    @Test
    void aTypeThatIsNotSeenIsAnError() throws IOException {
        assertEquals(List.of(), errors());
        write("office/src/office/Desk.java", "package office;\nclass Desk {\n    gauges.Gauge gauge;\n}\n");
        assertEquals(List.of("gauges.Gauge is in gauges, which office does not use"), errors());
    }

    @Test
    void mainCodeDoesNotSeeTests() throws IOException {
        write("berths/src/berths/Deep.java", "package berths;\nclass Deep extends BerthCheck { }\n");
        assertEquals(List.of("berths.BerthCheck is among the tests, which only tests may use"), errors());
    }
}
