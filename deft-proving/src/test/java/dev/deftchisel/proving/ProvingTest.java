package dev.deftchisel.proving;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.workspace.OpenRequest;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.Workspaces;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ProvingTest {

    @TempDir
    private Path folder;

    private CompiledCode compiled(String source) throws IOException {
        Files.writeString(folder.resolve("Berth.java"), source);
        return CompiledCode.of(Snapshot.read(
                new Workspaces(List.of()).open(OpenRequest.plain(folder, List.of(folder), List.of()))));
    }

    @Test
    void onlyTheNameMayDiffer() throws IOException {
        CompiledCode before = compiled("class Berth { int depth; Runnable r = () -> { depth++; }; }");
        CompiledCode renamed = compiled("class Berth { int zq1m; Runnable r = () -> { zq1m++; }; }");
        CompiledCode damaged = compiled("class Berth { int zq1m; Runnable r = () -> { zq1m--; }; }");
        assertEquals(List.of(), ClassTexts.differences(before, renamed, Map.of("zq1m", "depth")));
        List<String> found = ClassTexts.differences(before, damaged, Map.of("zq1m", "depth"));
        assertEquals(1, found.size(), found.toString());
        assertTrue(found.get(0).startsWith("Berth: 'IADD' became 'ISUB'"), found.toString());
    }

    @Test
    void randomRenamesOfTheHarbourOfficePassEveryOracle() throws IOException {
        Path harbour = Path.of("..", "deft-examples", "harbour", "src", "main", "java");
        try (Stream<Path> files = Files.walk(harbour)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Path target = folder.resolve(harbour.relativize(file));
                Files.createDirectories(target.getParent());
                Files.copy(file, target);
            }
        }
        ByteArrayOutputStream report = new ByteArrayOutputStream();
        boolean passed = new RandomRenames(OpenRequest.plain(folder, List.of(folder), List.of()), Set.of(), new PrintStream(report))
                .run(40, 5, 10, false, false);
        assertTrue(passed, report.toString(StandardCharsets.UTF_8));
    }
}
