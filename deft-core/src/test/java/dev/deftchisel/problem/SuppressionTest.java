package dev.deftchisel.problem;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.Chisel;
import dev.deftchisel.Problems;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Monitor;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What authors accept is not reported, and nothing else. */
class SuppressionTest {

    @TempDir
    private Path folder;

    private List<String> found(String code) throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        workspace.write("Berth.java", code);
        try (Chisel chisel = Chisel.open(workspace.request(), Monitor.SILENT)) {
            Problems problems = chisel.problems();
            return problems.in(problems.everywhere()).stream()
                    .map(problem -> problem.position().line() + " " + problem.rule()).toList();
        }
    }

    @Test
    void byAnnotationForTheDeclaration() throws Exception {
        assertEquals(List.of("8 self-assignment"), found("""
                class Berth {
                    @SuppressWarnings({"unchecked", "self-assignment"})
                    void moor(int length) {
                        length = length;
                    }

                    void leave(int length) {
                        length = length;
                    }
                }
                """));
    }

    @Test
    void byTagAndByTheWordsOfTheCompiler() throws Exception {
        assertEquals(List.of(), found("""
                class Berth {
                    @SuppressWarnings("unused")
                    private int length;

                    @SuppressWarnings("fallthrough")
                    int depth(int tide) {
                        switch (tide) {
                            case 1:
                                tide++;
                            case 2:
                                return tide;
                            default:
                                return 0;
                        }
                    }
                }
                """));
    }

    @Test
    void byCommentForItsLineOrTheNext() throws Exception {
        assertEquals(List.of("6 self-assignment"), found("""
                class Berth {
                    void moor(int length) {
                        length = length; // deft: accept self-assignment (measured again)
                        // deft: accept unused-variable, self-assignment
                        length = length; int depth = 3;
                        length = length;
                    }
                }
                """));
    }

    @Test
    void oneThatAcceptsNothingIsIdle() throws Exception {
        assertEquals(List.of("2 idle-suppression"), found("""
                class Berth {
                    // deft: accept self-assignment
                    void moor(int length) {
                    }
                }
                """));
    }
}
