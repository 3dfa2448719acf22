package dev.deftchisel.problem;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.Chisel;
import dev.deftchisel.Problems;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Monitor;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/**
 * How wide the net of a rule is: each file of {@code reports} is named after a rule, a line that ends in {@code //!} is
 * one that it reports, and no other is. The marks are taken away before the rule sees the code.
 */
class RuleReportsTest {

    private static final String MARK = " //!";

    @TempDir
    private Path folder;

    @TestFactory
    Stream<DynamicTest> reports() throws Exception {
        Path cases = Path.of(RuleReportsTest.class.getResource("/reports").toURI());
        try (Stream<Path> files = Files.list(cases)) {
            return files.sorted().toList().stream()
                    .map(file -> DynamicTest.dynamicTest(file.getFileName().toString(), () -> play(file)));
        }
    }

    private void play(Path file) throws IOException {
        List<String> marked = Files.readAllLines(file);
        List<String> wanted = IntStream.range(0, marked.size())
                .filter(index -> marked.get(index).endsWith(MARK))
                .mapToObj(index -> line(index + 1, marked)).toList();
        SampleWorkspace workspace = new SampleWorkspace(
                Files.createDirectories(folder.resolve(file.getFileName().toString())));
        workspace.write("Harbour.java", String.join("\n", marked).replace(MARK, "") + "\n");
        workspace.write(".editorconfig", "root = true\n[*]\ndeft_" + rule(file) + " = warning\n");
        try (Chisel chisel = Chisel.open(workspace.request(), Monitor.SILENT)) {
            Problems problems = chisel.problems();
            List<Problem> found = problems.in(problems.everywhere());
            assertEquals(List.of(), found.stream().filter(problem -> problem.tag() == Tag.ERROR).map(Problem::sentence)
                    .toList());
            assertEquals(String.join("\n", wanted), String.join("\n", found.stream()
                    .filter(problem -> problem.rule().equals(rule(file)))
                    .map(problem -> line(problem.position().line(), marked)).distinct().toList()));
        }
    }

    private static String line(int number, List<String> marked) {
        return number + ": " + marked.get(number - 1).replace(MARK, "").strip();
    }

    private static String rule(Path file) {
        return file.getFileName().toString().replaceFirst("\\..*", "");
    }
}
