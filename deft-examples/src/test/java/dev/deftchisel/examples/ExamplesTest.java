package dev.deftchisel.examples;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ExamplesTest {

    @TempDir
    private Path folder;
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();

    @BeforeEach
    void copyHarbour() throws IOException {
        new DemoWorkspace(Path.of("harbour")).copyTo(folder);
    }

    private List<String> lines() {
        return out.toString(StandardCharsets.UTF_8).lines().toList();
    }

    @Test
    void aRenameAndBackLeavesEverythingAsItWas() throws IOException {
        String before = Files.readString(folder.resolve("src/main/java/harbour/berths/Berth.java"));
        RenameAndBack.run(folder, "harbour.berths.Berth#moor(Vessel)", "dock", new PrintStream(out));
        assertEquals(List.of("rename the method Berth.moor(Vessel)", "6 names in 3 files"), lines());
        assertEquals(before, Files.readString(folder.resolve("src/main/java/harbour/berths/Berth.java")));
    }

    @Test
    void aFeatureComesToBeFromItsTest() throws IOException {
        List<Path> jars = Stream.of(System.getProperty("java.class.path").split(File.pathSeparator)).map(Path::of)
                .filter(jar -> jar.toString().endsWith(".jar")).toList();
        TestFirst.run(folder, jars, new PrintStream(out));
        TestRun run = TestRun.of(folder.resolve("src"), jars, folder.resolve("classes"),
                "harbour.bookings.BookingTest");
        assertEquals(List.of(), run.failed());
        assertEquals(10, run.passed().size());
        long taken = TestFirst.story().steps().stream().filter(step -> step instanceof Story.Take).count();
        assertTrue(taken >= 25, "there are many steps: " + taken);
    }

    @Test
    void methodsThatNothingCallsAreFound() {
        UnusedMethods.run(folder, new PrintStream(out));
        assertTrue(lines().contains("HarbourOffice.main(String[])"), lines().toString());
        assertTrue(lines().stream().noneMatch(line -> line.startsWith("Berth.moor")), lines().toString());
    }
}
