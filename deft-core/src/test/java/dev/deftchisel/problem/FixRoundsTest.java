package dev.deftchisel.problem;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.source.Range;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Many fixes at once: those that meet, those that come of others, and those that cannot be. */
class FixRoundsTest {

    @TempDir
    private Path folder;

    private String fixed(String code) throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        workspace.write("Berth.java", code);
        try (Chisel chisel = Chisel.open(workspace.request(), Monitor.SILENT)) {
            Problems problems = chisel.problems();
            Problems.Fixed fixed = problems.fixAll(problems.everywhere(), problem -> true);
            Outcome.Preview preview = assertInstanceOf(Outcome.Preview.class, fixed.outcome().orElseThrow());
            chisel.apply(preview);
            Problems after = chisel.problems();
            assertTrue(after.fixAll(after.everywhere(), problem -> true).outcome().isEmpty(), "nothing is left to fix");
            return chisel.snapshot().files().iterator().next().content();
        }
    }

    @Test
    void importsThatComeAndGoMeetAtOneLine() throws Exception {
        assertEquals("""
                import java.util.List;

                class Berth {
                    List<String> vessels;
                }
                """, fixed("""
                import java.util.Map;

                class Berth {
                    List<String> vessels;
                }
                """));
    }

    @Test
    void ofTheFixesOfAnErrorOneIsTakenThatMendsIt() throws Exception {
        // 'orElseThrow' is offered first, since it takes a function, but not one that gives text
        assertEquals("""
                import java.util.Optional;

                class Pilots {
                    String name(Optional<String> pilot) {
                        return pilot.orElseGet(() -> "nobody");
                    }
                }
                """, fixed("""
                import java.util.Optional;

                class Pilots {
                    String name(Optional<String> pilot) {
                        return pilot.orElse(() -> "nobody");
                    }
                }
                """));
    }

    @Test
    void twoParametersOfOneMethodGoInOneRun() throws Exception {
        assertEquals("""
                class Berth {
                    int dues() {
                        return dues(1, 4);
                    }

                    private int dues(int draught, int days) {
                        return draught * days;
                    }
                }
                """, fixed("""
                class Berth {
                    int dues() {
                        return dues(1, 2, 3, 4);
                    }

                    private int dues(int draught, int flag, int berth, int days) {
                        return draught * days;
                    }
                }
                """));
    }

    @Test
    void commentsGoWithWhatTheyAreAbout() throws Exception {
        assertEquals("""
                class Berth {
                    // ---- moving ----

                    int moor(int number) {
                        // the next one
                        int next = number + 1;
                        // a loop
                        for (int i = 0; i < 3; i++) {
                            next += i;
                        }
                        // first and
                        int last = next;
                        return last;
                    }
                }
                """, fixed("""
                class Berth {
                    // how many there are
                    private int unused = 3; // nobody knows

                    // ---- moving ----

                    // nobody calls this
                    private void idle() {
                    } // end of idle

                    int moor(int number) {
                        // the draught in metres
                        int draught = 3; // not read
                        // the next one
                        int next = number + 1;
                        // a loop
                        outer:
                            for (int i = 0; i < 3; i++) {
                                next += i;
                            }
                        // first and
                        int first = next;
                        int last = next;
                        return last;
                    }
                }
                """));
    }

    @Test
    void oneFixMakesRoomForTheNext() throws Exception {
        assertEquals("""
                class Berth {
                    boolean isFree(Object vessel) {
                        return vessel == null;
                    }
                }
                """, fixed("""
                class Berth {
                    boolean isFree(Object vessel) {
                        if (!(vessel != null) == true) {
                            return (true);
                        }
                        return false;
                    }
                }
                """));
    }

    @Test
    void whatIsUnusedTakesAlongWhatOnlyItNeeded() throws Exception {
        assertEquals("""
                class Berth {
                    int length() {
                        return 3;
                    }
                }
                """, fixed("""
                import java.util.List;

                class Berth {
                    private int depth = 2;

                    int length() {
                        return 3;
                    }

                    private int depth(List<Integer> tides) {
                        return helper(tides) + depth;
                    }

                    private int helper(List<Integer> tides) {
                        return tides.size();
                    }
                }
                """));
    }

    @Test
    void whatIsLeftAloneStaysAsItIs() throws Exception {
        String code = """
                class Berth {
                    boolean isFree(Object vessel) {
                        return vessel == null ? true : false;
                    }

                    boolean isTaken(Object vessel) {
                        return vessel != null ? true : false;
                    }
                }
                """;
        SampleWorkspace workspace = new SampleWorkspace(folder);
        Path file = workspace.write("Berth.java", code);
        try (Chisel chisel = Chisel.open(workspace.request(), Monitor.SILENT)) {
            Problems problems = chisel.problems();
            int start = code.indexOf("        return vessel != null");
            ProblemScope scope = problems.everywhere()
                    .without(file, new Range(start - 1, code.indexOf('\n', start)), code.length());
            Outcome.Preview preview = assertInstanceOf(Outcome.Preview.class,
                    problems.fixAll(scope, problem -> true).outcome().orElseThrow());
            assertEquals(code.replace("== null ? true : false", "== null"), preview.change().file(file).orElseThrow()
                    .after().content());
        }
    }

    /** How often all of so many files are analysed to fix one error in each by a declaration. */
    private int rounds(int files) throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(Files.createDirectories(folder.resolve("of" + files)));
        for (int i = 0; i < files; i++) {
            workspace.write("Berth" + i + ".java", "class Berth" + i + " {\n    int room() {\n        return spare" + i
                    + "();\n    }\n}\n");
        }
        AtomicInteger whole = new AtomicInteger();
        Monitor counting = (step, done, total) -> {
            if (total == files && done == files) {
                whole.incrementAndGet();
            }
        };
        try (Chisel chisel = Chisel.open(workspace.request(), counting)) {
            whole.set(0);
            Problems problems = chisel.problems();
            Problems.Fixed fixed = problems.fixAll(problems.everywhere(), problem -> true);
            Outcome.Preview preview = assertInstanceOf(Outcome.Preview.class, fixed.outcome().orElseThrow());
            assertEquals(files, preview.change().effective().size());
            return whole.get();
        }
    }

    @Test
    void declarationsInDifferentFilesAreOneRound() throws Exception {
        int few = rounds(3);
        assertTrue(few > 0, "each file of an analysis is told");
        assertEquals(few, rounds(6), "twice as many files take as many rounds");
    }
}
