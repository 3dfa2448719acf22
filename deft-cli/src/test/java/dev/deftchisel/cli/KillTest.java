package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Kills the process at random moments while it writes a change over fifty files. How often is set by the system
 * property {@code deft.kills}.
 */
class KillTest {

    private static final int FILES = 50;
    private static final int KILLS = Integer.getInteger("deft.kills", 6);
    /** Up to how long after the first sign of writing the kill comes. */
    private static final int SPREAD_MICROS = Integer.getInteger("deft.kills.spread.micros", 350_000);

    @TempDir
    private Path folder;

    private void write() throws IOException {
        Files.writeString(folder.resolve("Berth.java"), "class Berth { int depth; }\n");
        for (int i = 1; i < FILES; i++) {
            Files.writeString(folder.resolve("Quay" + i + ".java"), "class Quay" + i
                    + " { int d = new Berth().depth; }\n");
        }
    }

    private long changed() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            List<Path> all = files.filter(file -> file.toString().endsWith(".java")).toList();
            assertEquals(FILES, all.size());
            long changed = 0;
            for (Path file : all) {
                changed += Files.readString(file).contains("water") ? 1 : 0;
            }
            return changed;
        }
    }

    @Test
    void afterAKillAllIsOldOrAllIsNew() throws Exception {
        write();
        Random random = new Random(7);
        List<Long> seen = new ArrayList<>();
        for (int kill = 0; kill < KILLS; kill++) {
            Process process = new ProcessBuilder(DeftProcess.command(folder, List.of(
                    "rename", "Berth#depth", "water", "--apply", "--quiet", "--source", folder.toString())))
                    .redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
            waitForWriting(process);
            process.waitFor(random.nextInt(SPREAD_MICROS), TimeUnit.MICROSECONDS);
            process.destroyForcibly().waitFor();
            seen.add(changed());
            DeftProcess.run(folder, "history", "--source", folder.toString());
            long now = changed();
            assertTrue(now == 0 || now == FILES, "kill " + kill + " left " + now + " of " + FILES + " files changed");
            try (Stream<Path> left = Files.list(folder)) {
                assertTrue(left.noneMatch(path -> path.toString().endsWith(".deft-new")), "no draft is left");
            }
            if (now == FILES) {
                assertEquals(0, DeftProcess.run(folder, "undo", "--source", folder.toString()).code());
            }
        }
        System.out.println(KILLS + " kills, files changed at the moment of each: " + seen);
    }

    /** The folder of the history appears when the change begins to be written. */
    private void waitForWriting(Process process) throws InterruptedException {
        Path history = folder.resolve(".deft").resolve("history");
        long before = entries(history);
        while (process.isAlive() && entries(history) == before) {
            process.waitFor(1, TimeUnit.MILLISECONDS);
        }
    }

    private static long entries(Path history) {
        if (!Files.isDirectory(history)) {
            return 0;
        }
        try (Stream<Path> entries = Files.list(history)) {
            return entries.count();
        } catch (IOException gone) {
            return 0;
        }
    }
}
