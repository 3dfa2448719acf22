package dev.deftchisel.projectfile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.maven.MavenReader;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ProjectFileReaderTest {

    @TempDir
    private Path root;

    private void write(String path, String content) throws IOException {
        Path file = root.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content);
    }

    private Workspace open(String json) throws IOException {
        write("deft-project.json", json);
        return new Workspaces(List.of(new MavenReader(), new ProjectFileReader())).read(OpenRequest.at(root));
    }

    @Test
    void allThatAModuleMaySay() throws IOException {
        write("berths/src/Berth.java", "class Berth { }");
        write("berths/test/BerthTest.java", "class BerthTest { }");
        write("berths/lib/tables.jar", "");
        write("pom.xml", "<project/>");
        Workspace workspace = open("""
                {"modules": [
                  {"name": "berths", "folder": "berths", "sources": ["src"], "tests": ["test"], "class-path": ["lib/tables.jar"],
                   "level": 11, "api": "jdk", "options": ["--enable-preview"], "encoding": "ISO-8859-1", "uses": ["tides"]},
                  {"name": "tides", "sources": ["."]}
                ]}
                """);
        Module berths = workspace.modules().get(0);
        assertEquals("deft-project.json", workspace.build().name());
        assertEquals(new JavaLevel(11, JavaLevel.Api.COMPILER, List.of("--enable-preview")), berths.java());
        assertEquals(StandardCharsets.ISO_8859_1, berths.encoding());
        assertEquals(List.of(root.resolve("berths/lib/tables.jar")), berths.classPath());
        assertEquals(List.of("MAIN berths/src", "TEST berths/test"),
                berths.roots().stream().map(one -> one.use() + " " + root.relativize(one.folder())).toList());
        assertEquals(List.of("tides"), berths.upstream());
        assertEquals(List.of(), workspace.gaps());
    }

    @Test
    void whatOnlyTestsMayUse() throws IOException {
        write("src/Berth.java", "class Berth { }");
        write("checks/BerthCheck.java", "class BerthCheck { }");
        write("lib/tables.jar", "");
        Module berths = open("""
                {"modules": [
                  {"name": "berths", "sources": ["src"], "tests": ["checks"], "uses": ["tides"], "test-uses": ["quays"], "uses-tests-of": ["tides"],
                   "test-class-path": [{"file": "lib/tables.jar", "origin": "harbour:tables:1"}], "missing": ["harbour:gone:1"]},
                  {"name": "tides", "sources": ["src"]}, {"name": "quays", "sources": ["src"]}
                ]}
                """).modules().get(0);
        assertEquals(List.of(new Library(root.resolve("lib/tables.jar"), "harbour:tables:1", SourceRoot.Use.TEST)),
                berths.dependencies().libraries());
        assertEquals(List.of("harbour:gone:1"), berths.dependencies().missing());
        assertEquals(List.of(new ModuleUse("tides", SourceRoot.Use.MAIN, Optional.of(SourceRoot.Use.TEST)),
                new ModuleUse("quays", SourceRoot.Use.TEST, Optional.empty())), berths.uses());
    }

    @Test
    void whatIsNotThereIsNamed() throws IOException {
        write("src/Berth.java", "class Berth { }");
        assertEquals(List.of("deft-project.json: 'libs' of the module main means nothing; there are api, class-path, "
                + "encoding, folder, generated,"
                        + " generated-tests, level, missing, name, options, processors, resources, sources, "
                        + "test-class-path, test-resources, test-uses,"
                        + " tests, uses, uses-tests-of",
                "deft-project.json: the folder nowhere of the module main is not there",
                "deft-project.json: lib/x.jar of the module main is not there: names from it stay unresolved",
                "deft-project.json: the module main uses tides, which is not there"),
                open("{\"modules\": [{\"sources\": [\"src\", \"nowhere\"], \"libs\": [], \"class-path\": "
                        + "[\"lib/x.jar\"], \"uses\": [\"tides\"]}]}")
                        .gaps());
    }

    @Test
    void whatIsMalformedIsOneLineWithItsPlace() {
        WorkspaceException broken = assertThrows(WorkspaceException.class, () -> open("{\"modules\": [\n  {]}\n]}"));
        assertTrue(broken.getMessage().startsWith(root.resolve("deft-project.json") + ":2:"), broken.getMessage());
        assertEquals(1, broken.getMessage().lines().count());
        WorkspaceException unknown = assertThrows(WorkspaceException.class,
                () -> open("{\"modules\": [{\"encoding\": \"none such\"}]}"));
        assertTrue(unknown.getMessage().contains("this is not as docs/projects.md says"), unknown.getMessage());
        WorkspaceException empty = assertThrows(WorkspaceException.class, () -> open("{}"));
        assertTrue(empty.getMessage().contains("there is no list 'modules' in it"), empty.getMessage());
    }
}
