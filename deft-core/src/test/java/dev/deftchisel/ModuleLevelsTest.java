package dev.deftchisel;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Each module is looked at in its own Java, and what could not be parsed is named. */
class ModuleLevelsTest {

    @TempDir
    private Path folder;

    private Module module(String name, int level, List<String> upstream, String file, String text) throws IOException {
        Path root = folder.resolve(name);
        Files.createDirectories(root);
        Files.writeString(root.resolve(file), text);
        return new Module(name, root, List.of(new SourceRoot(root, SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE)),
                Dependencies.NONE,
                upstream.stream().map(other -> ModuleUse.ofAll(other, SourceRoot.Use.MAIN)).toList(),
                JavaLevel.of(level), StandardCharsets.UTF_8);
    }

    private List<String> errors(Module... modules) {
        Snapshot snapshot = Snapshot.read(new Workspace(folder, List.of(modules), List.of()));
        try (Libraries libraries = new Libraries()) {
            return new Analyst(snapshot, libraries, Monitor.SILENT)
                    .analyse(Focus.whole(Set.copyOf(snapshot.files().stream().map(file -> file.path()).toList()))
                            .deeply())
                    .errors().stream().map(CompilerError::code).sorted().toList();
        }
    }

    @Test
    void oneModuleMayHaveWhatAnotherHasNot() throws IOException {
        Module old = module("berths", 8, List.of(), "Berth.java",
                "public class Berth { int f(String s) { return s.length(); } }");
        Module young = module("office", 17, List.of("berths"), "Office.java",
                "record Office(Berth berth) { boolean isOpen() { return \"\".isBlank(); } }");
        assertEquals(List.of(), errors(old, young));
    }

    @Test
    void languageAndApiOfALevelAreThoseOfItsModule() throws IOException {
        Module old = module("berths", 8, List.of(), "Berth.java",
                "class Berth { boolean f(String s) { var t = s; return s.isBlank(); } }");
        Module young = module("office", 17, List.of(), "Office.java",
                "class Office { boolean f(String s) { var t = s; return t.isBlank(); } }");
        // in Java 8 'var' is the name of a type that is not there
        assertEquals(List.of("compiler.err.cant.resolve.location", "compiler.err.cant.resolve.location.args"),
                errors(old, young));
    }

    @Test
    void whatDoesNotParseIsNamedInTheChange() throws IOException {
        Files.writeString(folder.resolve("Berth.java"), "class Berth { int depth; }\n");
        Files.writeString(folder.resolve("Quay.java"), "class Quay {\n    int f(Berth b) { return b.depth +; }\n}\n");
        try (Chisel chisel = Chisel.open(OpenRequest.plain(folder, List.of(folder), List.of()), Monitor.SILENT)) {
            Outcome outcome = chisel.preview(chisel.place("Berth#depth"), "rename", Answers.of("name", "water"));
            List<String> notes = assertInstanceOf(Outcome.Preview.class, outcome).change().notes();
            assertEquals(1, notes.size(), notes.toString());
            assertTrue(notes.get(0).startsWith("Quay.java:2:38: the file does not parse as Java "), notes.get(0));
        }
    }

    @Test
    void whatMayOverrideSomethingUnknownIsNotRenamed() throws IOException {
        Files.writeString(folder.resolve("Berth.java"),
                "class Berth extends Table {\n    @Override\n    public int size() { return 1; }\n    int rows() { "
                + "return 2; }\n}\n");
        try (Chisel chisel = Chisel.open(OpenRequest.plain(folder, List.of(folder), List.of()), Monitor.SILENT)) {
            Outcome said = chisel.preview(chisel.place("Berth#size()"), "rename", Answers.of("name", "count"));
            assertEquals("Berth.size() overrides a method of Table, which is not known here, so nobody can tell what "
                    + "else would have to be"
                    + " renamed", assertInstanceOf(Outcome.Refusal.class, said).reasons().get(0).sentence());
            Outcome noted = chisel.preview(chisel.place("Berth#rows()"), "rename", Answers.of("name", "lines"));
            assertEquals(List.of("Table is not known here: whether Berth.rows() overrides something there was not "
                    + "seen"),
                    assertInstanceOf(Outcome.Preview.class, noted).change().notes());
        }
    }
}
