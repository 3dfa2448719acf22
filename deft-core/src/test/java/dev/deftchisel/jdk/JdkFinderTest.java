package dev.deftchisel.jdk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class JdkFinderTest {

    @TempDir
    private Path machine;

    @BeforeEach
    void real() throws IOException {
        machine = machine.toRealPath();
    }

    private Path jdk(String folder, String version) throws IOException {
        Path home = machine.resolve(folder);
        Files.createDirectories(home.resolve("bin"));
        for (String program : List.of("java", "javac")) {
            Files.writeString(home.resolve("bin").resolve(program), "#!/bin/sh\n");
            Files.setPosixFilePermissions(home.resolve("bin").resolve(program),
                    PosixFilePermissions.fromString("rwxr-xr-x"));
        }
        Files.writeString(home.resolve("release"), "IMPLEMENTOR=\"Harbour\"\nJAVA_VERSION=\"" + version + "\"\n");
        return home;
    }

    private List<Path> found(Map<String, String> environment, String... folders) {
        return new JdkFinder(environment, machine.resolve("home"), java.util.Arrays.stream(folders)
                .map(machine::resolve).toList()).all().stream()
                .map(Jdk::home).filter(home -> home.startsWith(machine)).map(machine::relativize).toList();
    }

    @Test
    void theNewestComesFirst() throws IOException {
        jdk("jvm/eleven", "11.0.2");
        jdk("jvm/old", "1.8.0_402");
        jdk("jvm/new", "91");
        assertEquals(List.of(Path.of("jvm/new"), Path.of("jvm/eleven"), Path.of("jvm/old")),
                found(Map.of(), "jvm", "nowhere"));
    }

    @Test
    void aFolderOfASystemMayHoldItDeeper() throws IOException {
        jdk("machines/91.jdk/Contents/Home", "91");
        assertEquals(List.of(Path.of("machines/91.jdk/Contents/Home")), found(Map.of(), "machines"));
    }

    @Test
    void whatIsNamedIsFoundOnce() throws IOException {
        Path named = jdk("somewhere/named", "92");
        Files.createDirectories(machine.resolve("bin"));
        Files.createSymbolicLink(machine.resolve("bin/javac"), named.resolve("bin/javac"));
        Files.createSymbolicLink(machine.resolve("somewhere/again"), named);
        assertEquals(List.of(Path.of("somewhere/named")), found(
                Map.of("JAVA_HOME", named.toString(), "PATH", machine.resolve("bin") + ":/nowhere:"), "somewhere"));
    }

    @Test
    void toolchainsNameSome() throws IOException {
        Path named = jdk("tools/jdk", "93");
        Files.createDirectories(machine.resolve("home/.m2"));
        Files.writeString(machine.resolve("home/.m2/toolchains.xml"),
                "<toolchains><toolchain><type>jdk</type><configuration><jdkHome>"
                + named + "</jdkHome></configuration></toolchain></toolchains>");
        assertEquals(List.of(Path.of("tools/jdk")), found(Map.of()));
        Files.writeString(machine.resolve("home/.m2/toolchains.xml"), "<toolchains>");
        assertEquals(List.of(), found(Map.of()));
    }

    @Test
    void aJavaWithoutACompilerIsNone() throws IOException {
        Path home = jdk("jvm/runtime", "91");
        Files.delete(home.resolve("bin/javac"));
        jdk("jvm/silent", "91");
        Files.delete(machine.resolve("jvm/silent/release"));
        assertEquals(List.of(), found(Map.of(), "jvm"));
    }

    @Test
    void theOneThatRunsIsAmongThem() {
        assertTrue(JdkFinder.ofThisMachine().all().stream()
                .anyMatch(jdk -> jdk.feature() == Runtime.version().feature()));
    }

    @Test
    void versionsAreReadAsTheyAreWritten() {
        assertEquals(Optional.of(17), Jdk.featureIn("17"));
        assertEquals(Optional.of(8), Jdk.featureIn("1.8"));
        assertEquals(Optional.of(21), Jdk.featureIn("21.0.2-tem"));
        assertEquals(Optional.empty(), Jdk.featureIn("temurin-21"));
    }
}
