package dev.deftchisel.problem;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.problem.detection.Repairs;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/**
 * Errors of the compiler and what mends them, from text files: a line that says what it is about, the code, the first
 * error with its fixes in order (other files may stand {@code --- beside} it), and the code after the first of them or
 * the one whose number is said. A JDK may have its own code for an error, so there may be several, and more fixes
 * after those that are listed.
 */
class RepairCasesTest {

    private static final Path CASES = Path.of("src/test/resources/repair");

    @TempDir
    private Path folder;

    @TestFactory
    Stream<DynamicTest> cases() throws IOException {
        try (Stream<Path> files = Files.list(CASES)) {
            return files.sorted().toList().stream().map(file -> DynamicTest.dynamicTest(name(file), () -> play(file)));
        }
    }

    @Test
    void thePageOfErrorsNamesEachCode() throws IOException {
        String page = Files.readString(Path.of("..", "docs", "errors.md"));
        assertEquals(List.of(), Repairs.installed().codes().stream().filter(code -> !page.contains("`" + code + "`"))
                .toList());
    }

    private static String name(Path file) {
        return file.getFileName().toString().replace(".txt", "");
    }

    private void play(Path file) throws IOException {
        String text = Files.readString(file);
        String code = text.substring(text.indexOf('\n') + 1, text.indexOf("--- error"));
        SampleWorkspace workspace = new SampleWorkspace(Files.createDirectories(folder.resolve(name(file))));
        String[] sources = code.split("--- beside ");
        workspace.write("Sample.java", sources[0]);
        for (String other : List.of(sources).subList(1, sources.length)) {
            String[] named = other.split("\n", 2);
            workspace.write(named[0], named[1]);
        }
        try (Chisel chisel = Chisel.open(workspace.request(), Monitor.SILENT)) {
            Problems problems = chisel.problems();
            List<Problem> errors = problems.in(problems.everywhere()).stream()
                    .filter(problem -> problem.tag() == Tag.ERROR).toList();
            Problem first = problems.checked(errors.get(0));
            List<String> lines = text.substring(text.indexOf("--- error"), text.indexOf("--- after")).lines().toList();
            assertTrue(List.of(lines.get(0).split(" ")).contains(first.rule()), first::rule);
            List<String> fixes = lines.subList(1, lines.size());
            assertEquals(fixes, first.fixes().subList(0, Math.min(fixes.size(), first.fixes().size())));
            String[] after = text.substring(text.indexOf("--- after")).split("\n", 2);
            int taken = after[0].equals("--- after") ? 0
                    : Integer.parseInt(after[0].substring("--- after ".length())) - 1;
            Outcome.Preview preview = assertInstanceOf(
                    Outcome.Preview.class, problems.fix(first, taken), () -> shown(problems.fix(first, taken)));
            FileChange change = preview.change().effective().get(0);
            assertEquals(after[1], change.after().content());
        }
    }

    private static String shown(Outcome outcome) {
        return outcome instanceof Outcome.Refusal refusal ? refusal.reasons().toString() : "";
    }
}
