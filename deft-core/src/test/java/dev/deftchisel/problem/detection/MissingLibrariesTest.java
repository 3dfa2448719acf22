package dev.deftchisel.problem.detection;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Errors that only follow from a library that is not here are one problem; the others stay. */
class MissingLibrariesTest {

    @TempDir
    private Path folder;

    private List<String> problems(List<String> missing, String text) throws IOException {
        Path file = Files.writeString(folder.resolve("Berth.java"), text);
        Module module = new Module("berths", folder,
                List.of(new SourceRoot(folder, SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE)),
                new Dependencies(List.of(), List.of(), missing), List.of(), JavaLevel.of(17), StandardCharsets.UTF_8);
        Snapshot snapshot = Snapshot.read(new Workspace(folder, List.of(module), List.of()));
        try (Libraries libraries = new Libraries()) {
            Analyst analyst = new Analyst(snapshot, libraries, Monitor.SILENT);
            return new RuleRunner(Rules.installed(), Severities.usual(), Repairs.installed())
                    .context(analyst.analyse(Focus.whole(Set.of(file)).deeply()), file).stream()
                    .filter(finding -> finding.severity() == Severity.ERROR)
                    .map(finding -> snapshot.file(file).orElseThrow().position(finding.range().start())
                            .line() + " " + finding.about().id())
                    .toList();
        }
    }

    private static final String TEXT = """
            import org.tides.Table;
            import static org.tides.Tables.read;

            class Berth extends Table {
                int depth = "deep";

                @Override
                public int size() { return rows().size(); }

                void load() {
                    Table all = read("x");
                    save(all, new Table(3));
                }
            }

            class Quay {
                int length() { return nowhere; }
                int rows(Berth berth) { return berth.rows(); }
                Table table() { return null; }
                String text = 3;
            }
            """;

    @Test
    void whatFollowsIsNotShown() throws IOException {
        assertEquals(List.of("1 missing-library", "5 prob.found.req", "17 cant.resolve.location", "20 prob.found.req"),
                problems(List.of("org.tides:tide-tables:3"), TEXT));
    }

    @Test
    void packagesInCodeToo() throws IOException {
        assertEquals(List.of("2 missing-library", "4 prob.found.req"), problems(List.of("org.tides:tide-tables:3"), """
                class Berth {
                    org.tides.Table all = new org.tides.other.Tables().all();
                    void load(org.tides.Table more) { more.clear(); }
                    int depth = "deep";
                }
                """));
    }

    @Test
    void withoutSuchALibraryEachIsAnError() throws IOException {
        assertEquals(14, problems(List.of(), TEXT).size(), problems(List.of(), TEXT).toString());
    }

    @Test
    void anImportOfOurOwnIsOurOwnError() throws IOException {
        Files.createDirectories(folder.resolve("harbour"));
        Files.writeString(folder.resolve("harbour/Tide.java"), "package harbour;\npublic class Tide { }\n");
        assertEquals(List.of("1 cant.resolve.location", "2 cant.resolve.location"),
                problems(List.of("org.tides:tide-tables:3"),
                "import harbour.Tides;\nclass Berth { Tides tides; }\n"));
    }
}
