package dev.deftchisel.lsp.session;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.gson.JsonObject;
import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.workspace.opening.Permission;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class WorkspaceFoldersTest {

    @TempDir
    private Path folder;
    private final Session session = new Session(Optional.empty());
    private Path berth;
    private Path tide;

    @BeforeEach
    void write() throws Exception {
        folder = folder.toRealPath();
        berth = file("harbour", "src/main/java/harbour/Berth.java", "package harbour;\n\nclass Berth { }\n");
        tide = file("harbour", "src/main/java/harbour/tides/Tide.java", "package harbour.tides;\n\nclass Tide { }\n");
    }

    private Path file(String project, String path, String text) throws Exception {
        Files.createDirectories(folder.resolve(project));
        Files.writeString(folder.resolve(project).resolve("settings.gradle"), "");
        Path file = folder.resolve(project).resolve(path);
        Files.createDirectories(file.getParent());
        return Files.writeString(file, text);
    }

    @AfterEach
    void close() {
        session.close();
    }

    private Chisel of(Path file) {
        return session.folders().of(file).orElseThrow();
    }

    @Test
    void filesOfOneProjectShareItAlsoOutsideOfAllFolders() {
        assertSame(of(berth), of(tide));
        assertEquals(folder.resolve("harbour"), of(tide).workspace().root());
    }

    @Test
    void eachFolderIsAWorkspaceUntilItIsRemoved() throws Exception {
        Path pier = file("piers", "src/main/java/Pier.java", "class Pier { }\n");
        session.folders().add(folder.resolve("harbour"));
        session.folders().add(folder.resolve("piers"));
        assertNotSame(of(berth), of(pier));
        assertEquals(2, session.folders().all().size());
        session.folders().remove(folder.resolve("piers"));
        assertEquals(1, session.folders().all().size());
    }

    @Test
    void aFolderOpensAnewWhenItsBuildChanges() throws Exception {
        Chisel before = of(berth);
        session.folders().refresh(List.of(tide));
        assertSame(before, of(berth));
        session.folders().refresh(List.of(folder.resolve("harbour/settings.gradle")));
        assertNotSame(before, of(berth));
    }

    @Test
    void buildFilesAreLookedAtEveryTwoSecondsForClientsThatDoNotTell() throws Exception {
        AtomicLong seconds = new AtomicLong();
        WorkspaceFolders folders = new WorkspaceFolders(Monitor.SILENT, new Progress(session), message -> { },
                new BuildWatch(() -> TimeUnit.SECONDS.toNanos(seconds.get())));
        folders.add(folder.resolve("harbour"));
        Chisel before = folders.of(berth).orElseThrow();
        Path build = Files.writeString(folder.resolve("harbour/build.gradle"), "sourceCompatibility = 17\n");
        seconds.addAndGet(1);
        assertSame(before, folders.of(berth).orElseThrow());
        seconds.addAndGet(2);
        Chisel after = folders.of(berth).orElseThrow();
        assertNotSame(before, after);
        seconds.addAndGet(2);
        assertSame(after, folders.of(berth).orElseThrow());
        Files.delete(build);
        seconds.addAndGet(2);
        assertNotSame(after, folders.of(berth).orElseThrow());
        folders.close();
    }

    @Test
    void whatAFolderLacksIsSaidOnceAndAllIsLogged() throws Exception {
        List<String> said = new ArrayList<>();
        WorkspaceFolders folders = new WorkspaceFolders(Monitor.SILENT, new Progress(session),
                message -> said.add(message.getType() + " " + message.getMessage()));
        Files.writeString(folder.resolve("harbour/build.gradle"), "");
        folders.add(folder.resolve("harbour"));
        folders.of(berth);
        folders.of(tide);
        String gap = "build.gradle is not run, so its libraries are unknown: names from them stay unresolved (give "
                + "them with --class-path)";
        assertEquals(List.of("Log " + gap, "Warning " + gap), said);
        folders.close();
    }

    @Test
    void aJavaThatCannotBeReadIsAnErrorToBeSeen() throws Exception {
        List<String> said = new ArrayList<>();
        WorkspaceFolders folders = new WorkspaceFolders(Monitor.SILENT, new Progress(session),
                message -> said.add(message.getType() + " " + message.getMessage()));
        Files.writeString(folder.resolve("harbour/build.gradle"), "sourceCompatibility = 999\n");
        assertTrue(folders.of(berth).isEmpty());
        assertEquals(1, said.size());
        assertTrue(said.get(0).startsWith("Error module harbour is written in Java 999, which"), said.get(0));
        folders.close();
    }

    private WorkspaceFolders telling(List<String> said) {
        return new WorkspaceFolders(Monitor.SILENT, new Progress(session), message ->
                said.add(message.getType() + " " + message.getMessage().replace(folder.toString(), "FOLDER")));
    }

    @Test
    void aFolderAboveSeveralProjectsOpensEachOfThem() throws Exception {
        Path pier = file("piers", "src/main/java/Pier.java", "class Pier { }\n");
        List<String> said = new ArrayList<>();
        WorkspaceFolders folders = telling(said);
        folders.add(folder);
        assertEquals(folder.resolve("piers"), folders.of(pier).orElseThrow().workspace().root());
        assertEquals(folder.resolve("harbour"), folders.of(berth).orElseThrow().workspace().root());
        assertEquals(2, folders.all().size());
        assertTrue(said.contains("Log FOLDER holds 2 projects; each is opened when it is needed"), said.toString());
        folders.remove(folder);
        assertEquals(0, folders.all().size());
        folders.close();
    }

    @Test
    void aFileAloneIsLookedAtWithWhatIsBesideIt() throws Exception {
        Path sources = Files.createDirectories(folder.resolve("lonely/harbour"));
        Files.writeString(sources.resolve("Buoy.java"), "package harbour;\n\nclass Buoy { }\n");
        Path lone = Files.writeString(sources.resolve("Lone.java"),
                "package harbour;\n\nclass Lone {\n    int depth = \"deep\";\n    Buoy buoy;\n}\n");
        List<String> said = new ArrayList<>();
        WorkspaceFolders folders = telling(said);
        Chisel alone = folders.of(lone).orElseThrow();
        assertEquals(List.of("prob.found.req"), alone.problems().in(ProblemScope.of(List.of(lone))).stream()
                .filter(problem -> problem.severity() == Severity.ERROR).map(problem -> problem.rule()).toList());
        String sentence = "Lone.java is in no project: what is beside it is looked at, without any libraries";
        assertEquals(List.of("Warning " + sentence, "Log " + sentence), said.subList(0, 2));
        folders.close();
    }

    @Test
    void openingIsCancelledAndBegunAgainWhenSomebodyAsksAgain() {
        AtomicBoolean isStopped = new AtomicBoolean(true);
        WorkspaceFolders folders = new WorkspaceFolders(new Monitor() {
            @Override
            public void at(String step, int done, int total) {
                check();
            }

            @Override
            public void check() {
                if (isStopped.get()) {
                    throw new CancellationException();
                }
            }
        }, new Progress(session), message -> { });
        folders.add(folder.resolve("harbour"));
        assertThrows(CancellationException.class, () -> folders.of(berth));
        isStopped.set(false);
        assertTrue(folders.of(berth).isPresent());
        folders.close();
    }

    @Test
    void aBuildThatCannotBeReadIsSaid() throws Exception {
        Path broken = Files.createDirectories(folder.resolve("broken/src/main/java"));
        Files.writeString(folder.resolve("broken/deft-project.json"), "{");
        Files.writeString(folder.resolve("broken/settings.gradle"), "");
        List<String> said = new ArrayList<>();
        WorkspaceFolders folders = telling(said);
        folders.add(folder.resolve("broken"));
        folders.of(broken.resolve("Berth.java"));
        folders.of(broken.resolve("Pier.java"));
        assertTrue(said.stream().filter(line -> line.startsWith("Warning ")).count() <= 1, said.toString());
        folders.close();
    }

    @Test
    void whatIsNoWorkspaceIsNone() {
        assertTrue(session.folders().of(folder.resolve("nothing/Nothing.java")).isEmpty());
    }

    @Test
    void aFolderOpensAnewWhenOtherThingsMayBeDone() throws Exception {
        Chisel before = of(berth);
        session.folders().allow(Set.of());
        assertSame(before, of(berth));
        session.folders().allow(Set.of(Permission.ASK_BUILD));
        assertNotSame(before, of(berth));
    }

    @Test
    void whatIsSetSaysWhatMayBeDone() {
        JsonObject told = new JsonObject();
        told.addProperty("runProcessors", true);
        told.addProperty("online", false);
        told.add("askBuild", new JsonObject());
        ServerSettings set = ServerSettings.of(told,
                new ServerSettings(Severity.ERROR, Set.of(Permission.FETCH_LIBRARIES), true));
        assertEquals(new ServerSettings(Severity.ERROR, Set.of(Permission.RUN_PROCESSORS), true), set);
        assertEquals(set, ServerSettings.of(null, set));
    }
}
