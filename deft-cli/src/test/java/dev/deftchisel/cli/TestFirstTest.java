package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.examples.DemoWorkspace;
import dev.deftchisel.examples.Story;
import dev.deftchisel.examples.TestFirst;
import dev.deftchisel.examples.TestRun;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Position;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Plays a whole session of writing a test first, key by key, in a terminal. */
class TestFirstTest {

    /** What a terminal is told when a line can be edited. */
    private static final String LINE_STARTS = "\u001b[?2004h";

    @TempDir
    private Path folder;

    private static boolean isAtKeys(String shown) {
        return shown.replaceAll("\u001b\\[[0-9;?]*[a-zA-Z]", "").endsWith(" > ");
    }

    private static boolean isAsking(String shown) {
        return isAtKeys(shown) || shown.contains(LINE_STARTS) && !isAtKeys(shown);
    }

    @Test
    void allThatATestAsksForComesToBeByKeys() throws IOException, InterruptedException {
        Path root = DemoWorkspace.beside().copyTo(folder.resolve("office")).toRealPath();
        int taken = 0;
        try (TerminalSession terminal = new TerminalSession(root, "at", "harbour.berths.Berth")) {
            terminal.await(0, TestFirstTest::isAtKeys);
            for (Story.Step step : TestFirst.story().steps()) {
                if (step instanceof Story.Type typed) {
                    Story.type(root, typed);
                } else if (step instanceof Story.Take take) {
                    play(terminal, root, take);
                    taken++;
                }
            }
            terminal.send("q", shown -> shown.startsWith("q"));
            assertEquals(ExitCode.DONE, terminal.end());
        }
        assertTrue(taken >= 25, "there are many steps: " + taken);
        List<Path> jars = Stream.of(System.getProperty("java.class.path").split(File.pathSeparator)).map(Path::of)
                .filter(jar -> jar.toString().endsWith(".jar")).toList();
        TestRun run = TestRun.of(root.resolve("src"), jars, folder.resolve("classes"), "harbour.bookings.BookingTest");
        assertEquals(List.of(), run.failed());
        assertEquals(10, run.passed().size());
    }

    private static void play(TerminalSession terminal, Path root, Story.Take take) throws IOException {
        String content = Files.readString(root.resolve(take.file()));
        Position position = LineMap.of(content).position(Story.caret(content, take));
        terminal.send("g", shown -> shown.contains(LINE_STARTS));
        terminal.send(root.resolve(take.file()) + ":" + position + "\r", TestFirstTest::isAtKeys);
        String shown = "";
        for (String key : take.keys()) {
            boolean isLine = key.startsWith(":");
            // what is proposed is replaced, unless nothing is said
            String text = !isLine ? key : key.length() == 1 ? "\r" : "\u0015" + key.substring(1)
                    .replace('␣', ' ') + "\r";
            shown = terminal.send(text, isLine ? TestFirstTest::isAtKeys : TestFirstTest::isAsking);
        }
        assertTrue(shown.contains("done: "), take.operation() + " at " + take.at() + ": " + shown);
    }
}
