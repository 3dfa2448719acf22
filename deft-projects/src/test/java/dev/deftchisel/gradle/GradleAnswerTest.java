package dev.deftchisel.gradle;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A wrapper script stands for Gradle and says what Gradle 4.4 said of such a build; Gradle itself is asked by 'prove
 * shapes'.
 */
class GradleAnswerTest {

    private static final String BERTHS = """
            {"name":":berths","folder":"ROOT/berths","sources":["ROOT/berths/src/main/java"],"class-path":[{"file":"ROOT/log.jar",\
            "origin":"org.slf4j:slf4j-api:2.0.17"}],"uses":[],"missing":["harbour:gone:1"],"processors":[],"uses-tests-of":[],\
            "test-class-path":[],"test-uses":[],"level":8,"api":"jdk","options":["-Aharbour=1"],"encoding":"ISO-8859-1"}""";
    private static final String TIDES = """
            {"name":":tides","folder":"ROOT/tides","tests":["ROOT/tides/src/test/java"],"sources":[],"class-path":[],"uses":[],"missing":[],\
            "processors":[],"uses-tests-of":[":berths"],"test-class-path":[],"test-uses":[":berths"],"level":11,"api":"level","options":[]}""";

    @TempDir
    private Path root;

    @BeforeEach
    void build() throws IOException {
        write("settings.gradle", "include 'berths', 'tides'\n");
        write("log.jar", "");
        write("berths/src/main/java/Berth.java", "class Berth { }");
        write("berths/build/generated/x/made/Made.java", "package made; class Made { }");
        write("tides/src/test/java/TideTest.java", "class TideTest { }");
        write("gradlew", "#!/bin/sh\nfor word in \"$@\"; do case \"$word\" in -Ddev.deftchisel.answer=*) "
                + "answer=\"${word#*=}\";; esac; done\n"
                + "echo \"$@\" > arguments\ncat > \"$answer/berths.json\" <<'END'\n" + BERTHS
                + "\nEND\ncat > \"$answer/tides.json\" <<'END'\n" + TIDES + "\nEND\n");
        assertTrue(root.resolve("gradlew").toFile().setExecutable(true));
    }

    private void write(String path, String content) throws IOException {
        Path file = root.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content.replace("ROOT", root.toString()));
    }

    private Workspace open() {
        return new GradleReader().read(root, OpenRequest.at(root).with(Permission.ASK_BUILD));
    }

    @Test
    void whatGradleSaysIsTheWorkspace() {
        Workspace workspace = open();
        assertEquals("Gradle, as it says itself", workspace.build().name());
        assertEquals(List.of("harbour:gone:1 is not on this machine: names from it stay unresolved"
                + " (have the build fetch it with --ask-build --online)"), workspace.gaps());
        Module berths = workspace.modules().get(0);
        assertEquals(new JavaLevel(8, JavaLevel.Api.COMPILER, List.of("-Aharbour=1")), berths.java());
        assertEquals("ISO-8859-1", berths.encoding().name());
        assertEquals(List.of(new Library(root.resolve("log.jar"), "org.slf4j:slf4j-api:2.0.17")), berths.dependencies()
                .libraries());
        assertEquals(List.of("SOURCE berths/src/main/java", "GENERATED berths/build/generated/x"),
                berths.roots().stream().map(one -> one.kind() + " " + workspace.show(one.folder())).toList());
        assertEquals(List.of(new ModuleUse(":berths", SourceRoot.Use.TEST, Optional.of(SourceRoot.Use.TEST))),
                workspace.modules().get(1).uses());
    }

    @Test
    void gradleIsNotToFetchUnlessThatIsAllowed() throws IOException {
        open();
        assertTrue(Files.readString(root.resolve("arguments")).endsWith(" --offline deftDescribe\n"));
        assertTrue(Files.readString(root.resolve(".deft/build/describe.gradle")).contains("'deftDescribe'"));
    }

    @Test
    void anAnswerThatCannotBeReadGivesWayToTheScripts() throws IOException {
        open();
        Files.writeString(root.resolve(".deft/build/files/berths.json"), "[");
        Workspace workspace = open();
        assertEquals("Gradle", workspace.build().name());
        assertTrue(workspace.gaps().get(0).startsWith("what Gradle said cannot be read ("), workspace.gaps()
                .toString());
    }
}
