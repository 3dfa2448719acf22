package dev.deftchisel.workspace;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.workspace.opening.FolderReader;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SnapshotTest {

    @TempDir
    private Path folder;
    private SampleWorkspace sample;

    @BeforeEach
    void make() throws IOException {
        sample = new SampleWorkspace(folder);
        sample.write("a/Berth.java", "package a; class Berth { int depth; String s = \"length\"; }");
        sample.write("a/Quay.java", "package a; /** {@link Berth#depth} */ class Quay { int lengths; }");
        sample.write("a/Odd.java", "package a; class Odd { int d\\u0065pth; }");
        sample.write("a/.hidden/No.java", "class No { int depth; }");
        sample.write("a/text.properties", "depth=1");
    }

    private List<String> mentioning(String name) {
        return sample.snapshot().mentioning(Set.of(name)).stream()
                .map(file -> file.path().getFileName().toString())
                .toList();
    }

    @Test
    void filesAreFoundByIdentifierAndByDocumentation() {
        assertEquals(List.of("Berth.java", "Odd.java", "Quay.java"), mentioning("depth"));
        assertEquals(List.of(), mentioning("length"));
    }

    @Test
    void resourcesAreWhatIsNotJava() {
        assertEquals(List.of(sample.root().resolve("a/text.properties")), sample.snapshot().resources());
    }

    @Test
    void changesInMemoryShareTheRest() {
        Snapshot before = sample.snapshot();
        Path berth = sample.root().resolve("a/Berth.java");
        Path dock = sample.root().resolve("a/Dock.java");
        Snapshot after = before.with(
                Map.of(berth, Optional.empty(), dock, Optional.of("package a; class Dock { }")), Map.of(dock, berth));
        assertTrue(before.file(berth).isPresent() && before.file(dock).isEmpty());
        assertTrue(after.file(berth).isEmpty());
        assertEquals("package a; class Dock { }", after.file(dock).orElseThrow().content());
        Path quay = sample.root().resolve("a/Quay.java");
        assertSame(before.file(quay).orElseThrow(), after.file(quay).orElseThrow());
    }

    @Test
    void filesAreReadAgainWhenTold() throws IOException {
        Snapshot before = sample.snapshot();
        Path berth = sample.write("a/Berth.java", "package a; class Berth { }");
        Path quay = sample.root().resolve("a/Quay.java");
        Files.delete(quay);
        Snapshot after = before.reread(Set.of(berth, quay));
        assertEquals("package a; class Berth { }", after.file(berth).orElseThrow().content());
        assertTrue(after.file(quay).isEmpty());
    }

    @Test
    void modulesWithFilesOfTheSameNameAreKeptApart() throws IOException {
        SampleWorkspace two = new SampleWorkspace(Files.createDirectory(folder.resolve("two")));
        two.write("one/src/main/java/a/Main.java", "package a; class Main { int first; }");
        two.write("other/src/main/java/a/Main.java", "package a; class Main { int second; }");
        Workspace workspace = new Workspaces(List.of(new FolderReader()))
                .open(OpenRequest.at(two.root().resolve("one")));
        assertEquals(1, workspace.modules().size());
        two.write("settings.gradle", "");
        Workspace whole = new Workspaces(List.of(new FolderReader())).open(OpenRequest.at(two.root()));
        assertEquals(List.of("one", "other"), whole.modules().stream().map(Module::name).toList());
        assertEquals(2, Snapshot.read(whole).files().size());
    }
}
