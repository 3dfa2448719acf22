package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Each kind of bad input gives one clear line and the right exit code, and nothing is written. */
class BadInputTest {

    @TempDir
    private Path folder;
    private Path file;

    @BeforeEach
    void write() throws IOException {
        file = folder.resolve("Berth.java");
        Files.writeString(file, "class Berth {\n    int depth;\n    int free() { return depth; }\n}\n");
    }

    private record Said(int code, String out, String err) {
    }

    private Said deft(String... arguments) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        List<String> all = new ArrayList<>(Arrays.asList(arguments));
        if (!all.contains("--workspace")) {
            all.addAll(List.of("--workspace", folder.toString(), "--source", folder.toString()));
        }
        int code = Deft.run(Deft.plainConsole(new ByteArrayInputStream(new byte[0]),
                new PrintStream(out, true, StandardCharsets.UTF_8), new PrintStream(err, true, StandardCharsets.UTF_8)),
                all.toArray(String[]::new));
        return new Said(code, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
    }

    private void says(int code, String line, Said said) {
        assertEquals(code, said.code(), said.err());
        assertTrue(said.err().contains(line), said.err());
        assertFalse(said.err().contains("\tat "), said.err());
        assertEquals("", said.out());
    }

    @Test
    void noSuchFile() {
        says(2, "deft: Quay.java: no such file in the workspace", deft("rename", "Quay.java:1:1", "x"));
    }

    @Test
    void outsideTheFile() {
        says(2, "Berth.java:9:1: the place is outside the file, which has 5 lines",
                deft("rename", "Berth.java:9:1", "x"));
        says(2, "Berth.java:1:99: line 1 has only 13 characters", deft("rename", "Berth.java:1:99", "x"));
    }

    @Test
    void onWhiteSpace() {
        says(1, "Berth.java:2:2: there is no name here that could be renamed", deft("rename", "Berth.java:2:2", "x"));
    }

    @Test
    void notAPlace() {
        says(2, "'?' is not a place", deft("rename", "?", "x"));
        says(2, "there is no type or package of this name", deft("rename", "harbour.Nothing", "x"));
        says(2, "Berth declares no member length", deft("rename", "Berth#length", "x"));
    }

    @Test
    void illegalName() {
        says(1, "'1x' is not a legal name in Java", deft("rename", "Berth#depth", "1x", "--apply"));
    }

    @Test
    void unknownOptionAndCommand() {
        says(2, "Unknown option: '--aply'", deft("rename", "Berth#depth", "x", "--aply"));
        says(2, "Did you mean: deft rename", deft("renam", "Berth#depth", "x"));
        says(2, "--mentions does not take 'some'; it takes none, sure, all",
                deft("rename", "Berth#depth", "x", "--mentions", "some"));
        says(2, "Missing required parameter", deft("rename", "Berth#depth"));
    }

    @Test
    void readOnlyFile() throws IOException {
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("r--r--r--"));
        says(1, "Berth.java:1:1: the file or its folder is read-only", deft("rename", "Berth#depth", "x", "--apply"));
    }

    @Test
    void malformedBytes() throws IOException {
        Files.write(file, "class Berth { int depth; } // \u00FC".getBytes(StandardCharsets.ISO_8859_1));
        says(1, "the file has bytes that are not UTF-8", deft("rename", "Berth#depth", "x", "--apply"));
        assertTrue(Arrays.equals("class Berth { int depth; } // \u00FC".getBytes(StandardCharsets.ISO_8859_1),
                Files.readAllBytes(file)));
    }

    @Test
    void linkOutOfTheWorkspace() throws IOException {
        Path outside = Files.createTempFile("outside", ".java");
        Files.writeString(outside, "class Quay { int size; }");
        Files.createSymbolicLink(folder.resolve("Quay.java"), outside);
        says(1, "the file is a link out of the workspace", deft("rename", "Quay#size", "x", "--apply"));
        assertEquals("class Quay { int size; }", Files.readString(outside));
        Files.delete(outside);
    }

    @Test
    void withoutSources() throws IOException {
        Path empty = Files.createDirectory(folder.resolve("empty"));
        says(2, "no project found; name the source folders with --source",
                deft("offers", "X", "--workspace", empty.toString()));
        says(2, "there is no Java file in its source folders",
                deft("offers", "X", "--workspace", empty.toString(), "--source", empty.toString()));
        says(2, "no such folder", deft("offers", "X", "--workspace", folder.resolve("none").toString()));
    }

    @Test
    void twoProcessesAtOnce() throws IOException {
        Files.createDirectories(folder.resolve(".deft"));
        try (FileChannel channel = FileChannel.open(folder.resolve(".deft/lock"),
                StandardOpenOption.CREATE, StandardOpenOption.WRITE); FileLock held = channel.lock()) {
            assertTrue(held.isValid());
            says(1, "another deft is writing in", deft("rename", "Berth#depth", "x", "--apply"));
        }
        assertTrue(Files.readString(file).contains("int depth;"));
    }

    @Test
    void aFullDisk() throws Exception {
        Path small = folder.resolve("small");
        Files.createDirectory(small);
        Process mount = new ProcessBuilder("mount", "-t", "tmpfs", "-o", "size=64k", "tmpfs", small.toString()).start();
        assumeTrue(mount.waitFor() == 0, "a small file system cannot be mounted here");
        try {
            String source = "class Quay {\n    int size;\n" + "    // filler filler filler\n".repeat(1200) + "}\n";
            Files.writeString(small.resolve("Quay.java"), source);
            says(1, "writing failed", deft("rename", "Quay#size", "length", "--apply",
                    "--workspace", small.toString(), "--source", small.toString()));
            assertEquals(source, Files.readString(small.resolve("Quay.java")));
        } finally {
            new ProcessBuilder("umount", small.toString()).start().waitFor();
        }
    }

    @Test
    void aHundredThousandLines() throws IOException {
        StringBuilder text = new StringBuilder("class Berth {\n    int depth;\n");
        for (int i = 0; i < 33_333; i++) {
            text.append("    int m").append(i).append("() {\n        return depth;\n    }\n");
        }
        Files.writeString(file, text.append("}\n"));
        Said said = deft("rename", "Berth#depth", "water", "--apply", "--quiet");
        assertEquals(0, said.code(), said.err());
        assertFalse(Files.readString(file).contains("depth"));
    }

    @Test
    void threeThousandDeep() throws IOException {
        Files.writeString(file, "class Berth {\n    int depth;\n    int f() { return " + "(".repeat(3000) + "depth"
                + ")".repeat(3000) + "; }\n    int g() { " + "if (depth > 0) { ".repeat(3000) + "}".repeat(3000)
                + " return " + "1 + ".repeat(3000) + "depth; }\n}\n");
        Said said = deft("rename", "Berth#depth", "water", "--apply", "--quiet");
        assertEquals(0, said.code(), said.err());
        assertFalse(Files.readString(file).contains("depth"));
    }
}
