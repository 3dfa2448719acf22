package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import dev.deftchisel.examples.DemoWorkspace;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the command finds of a project, and the JDK that reads it. */
class ProjectCommandTest {

    private static final int NOBODY_HAS = 999;

    @TempDir
    private Path folder;

    @BeforeEach
    void copy() throws IOException {
        folder = folder.toRealPath();
        DemoWorkspace.beside().copyTo(folder);
    }

    private void level(int level) throws IOException {
        Path pom = folder.resolve("pom.xml");
        Files.writeString(pom, Files.readString(pom).replaceAll("(<maven.compiler.release>)\\d+", "$1" + level));
    }

    @Test
    void itIsShownWithAllThatBelongsToIt() {
        DeftProcess.Result found = DeftProcess.call(folder, "project");
        assertEquals(0, found.code(), found.err());
        assertEquals(folder + ": Maven, read from 1 file, 1 module", found.text().lines().findFirst().orElseThrow());
        String labels = found.text().lines().filter(line -> line.matches("  \\S.*"))
                .map(line -> line.strip().split("  ")[0])
                .filter(label -> !label.startsWith("other")).map(label -> label.split(" ")[0])
                .collect(Collectors.joining(" "));
        assertEquals("JDK build Java code tests resources for", labels);
        assertTrue(found.text().contains("  Java        17, language and API\n"), found.text());
    }

    @Test
    void asData() {
        JsonObject json = JsonParser.parseString(DeftProcess.call(folder, "project", "--json").text())
                .getAsJsonObject();
        assertEquals("Maven", json.get("build").getAsString());
        JsonObject module = json.getAsJsonArray("modules").get(0).getAsJsonObject();
        assertEquals(17, module.get("level").getAsInt());
        assertEquals("level", module.get("api").getAsString());
        assertEquals("src/main/java", module.getAsJsonArray("roots").get(0).getAsJsonObject().get("folder")
                .getAsString());
        assertTrue(module.getAsJsonArray("libraries").get(0).getAsJsonObject().get("origin").getAsString()
                .startsWith("org.junit.jupiter:"));
    }

    @Test
    void aJavaThatNobodyReadsIsOneLineAndNothingIsDone() throws IOException {
        level(NOBODY_HAS);
        DeftProcess.Result shown = DeftProcess.call(folder, "project");
        assertTrue(shown.text().contains("  Java        999, language and API, which no JDK here reads\n"),
                shown.text());
        DeftProcess.Result refused = DeftProcess.call(folder, "rename", "harbour.berths.Berth#occupant", "vessel",
                "--apply");
        assertEquals(2, refused.code());
        assertEquals(1, refused.err().lines().count(), refused.err());
        assertTrue(refused.err().startsWith("deft: module harbour:harbour-office is written in Java 999, which"),
                refused.err());
    }

    /** The other JDK is a stand-in that says what it was started with. */
    @Test
    void anotherJdkThatReadsItIsStartedAndRemembered() throws Exception {
        level(NOBODY_HAS);
        Path jdk = folder.resolve("jdk");
        Files.createDirectories(jdk.resolve("bin"));
        Files.writeString(jdk.resolve("release"), "JAVA_VERSION=\"999\"\n");
        for (String program : List.of("java", "javac")) {
            Path file = Files.writeString(jdk.resolve("bin").resolve(program),
                    "#!/bin/sh\necho \"started: $*\"\nexit 7\n");
            Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rwxr-xr-x"));
        }
        ProcessBuilder builder = new ProcessBuilder(
                DeftProcess.command(folder, List.of("uses", "harbour.berths.Berth")))
                .redirectErrorStream(true);
        builder.environment().put("JAVA_HOME", jdk.toString());
        Process process = builder.start();
        String said = new String(process.getInputStream().readAllBytes());
        assertEquals(7, process.waitFor(), said);
        assertTrue(said.contains("dev.deftchisel.cli.Deft uses harbour.berths.Berth --workspace " + folder), said);
        assertEquals(jdk + "\n", Files.readString(folder.resolve(".deft").resolve(Restart.REMEMBERED)));
    }
}
