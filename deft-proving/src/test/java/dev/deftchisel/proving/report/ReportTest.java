package dev.deftchisel.proving.report;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.subject.Subject;
import dev.deftchisel.proving.trial.Verdict;
import dev.deftchisel.source.Range;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ReportTest {

    private static Verdict verdict(int number, SymbolKind kind, Verdict.Result result, String why, String oracle,
            long millis) {
        return new Verdict("harbour", new Subject(number, "rename",
                new Place(Path.of("Berth.java"), new Range(0, 0)), kind.words(),
                "rename the " + kind.words() + " Berth.depth to water", Answers.of("name", "water")), result, why,
                oracle.isEmpty() ? Optional.empty() : Optional.of(oracle), millis / 2, millis);
    }

    private final Summary summary = new Summary(List.of(
            verdict(0, SymbolKind.FIELD, Verdict.Result.APPLIED, "", "", 40),
            verdict(1, SymbolKind.FIELD, Verdict.Result.REFUSED, "x: 'a' would mean the field b", "", 80),
            verdict(2, SymbolKind.METHOD, Verdict.Result.REFUSED, "m overrides n, which is declared in a library", "",
                    100),
            verdict(3, SymbolKind.METHOD, Verdict.Result.FAILED, "<broken>", "compiles as before", 400)));

    @Test
    void everythingIsCounted() {
        assertEquals(List.of(new Summary.Row("field", 2, 1, 1, 0), new Summary.Row("method", 2, 0, 1, 1),
                new Summary.Row("all", 4, 1, 2, 1)), summary.rows());
        assertEquals(Map.of("belongs to a library", 1L, "a name would mean something else", 1L), summary.refusals());
        assertEquals(Map.of("compiles as before", 1L), summary.failures());
        assertEquals(400, summary.percentile(Verdict::previewMillis, 1));
        assertEquals(1, summary.offersOver(150));
    }

    @Test
    void theTableNamesTheCommandThatRepeatsAFailure() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new TableReport(new PrintStream(out, true, StandardCharsets.UTF_8), verdict -> "again " + verdict.subject()
                .number())
                .print(summary);
        String printed = out.toString(StandardCharsets.UTF_8);
        assertTrue(printed.contains("FAILED harbour #3: rename the method Berth.depth to water"), printed);
        assertTrue(printed.contains("again:  again 3"), printed);
        assertTrue(printed.endsWith("1 failure" + System.lineSeparator()), printed);
    }

    @Test
    void thePageLoadsNothingAndEscapesEverything(@TempDir Path folder) throws IOException {
        Path file = folder.resolve("report.html");
        new HtmlReport(verdict -> "again").write("Renames", summary, file);
        String page = Files.readString(file);
        assertTrue(page.contains("&lt;broken&gt;"), "text is escaped");
        assertEquals(3, page.split("data:image/png;base64,").length - 1, "three charts are in the page");
        assertFalse(page.contains("http"), "nothing is loaded from elsewhere");
    }
}
