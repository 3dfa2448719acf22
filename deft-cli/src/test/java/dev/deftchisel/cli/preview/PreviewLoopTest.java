package dev.deftchisel.cli.preview;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyChar;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.console.Keyboard;
import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Plays keys to the conversation about a change. */
class PreviewLoopTest {

    @TempDir
    private Path folder;
    private Path file;
    private Chisel chisel;
    private Place place;
    private final Keyboard keyboard = mock(Keyboard.class);
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();

    @BeforeEach
    void open() throws IOException {
        file = folder.resolve("Berth.java");
        Files.writeString(file, "// the depth\nclass Berth {\n    int depth;\n    int width;\n    int free() { return "
                + "depth; }\n}\n");
        chisel = Chisel.open(OpenRequest.plain(folder, List.of(folder), List.of()), Monitor.SILENT);
        place = chisel.place("Berth#depth");
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private PreviewLoop.End play(String name, String mentions) {
        PrintStream stream = new PrintStream(out, true, StandardCharsets.UTF_8);
        Console console = new Console(
                new ByteArrayInputStream(new byte[0]), stream, stream, true, false, new Palette(false));
        Answers answers = Answers.of("name", name).and("mentions", mentions);
        Outcome outcome = chisel.preview(place, "rename", answers);
        return new PreviewLoop(chisel, console, place, "rename", Chisel.operation("rename").questions())
                .run(keyboard, answers, outcome);
    }

    private String said() {
        return out.toString(StandardCharsets.UTF_8);
    }

    @Test
    void applyWrites() throws IOException {
        when(keyboard.ask(any(), any(), anyChar())).thenReturn('a');
        PreviewLoop.End end = play("water", "sure");
        assertEquals(ExitCode.DONE, end.exitCode());
        assertTrue(end.applied().isPresent());
        assertTrue(Files.readString(file).contains("return water;"));
        assertTrue(said().contains("+    int water;"), said());
    }

    @Test
    void stopLeavesEverything() throws IOException {
        String before = Files.readString(file);
        when(keyboard.ask(any(), any(), anyChar())).thenReturn('s');
        assertTrue(play("water", "sure").applied().isEmpty());
        assertEquals(before, Files.readString(file));
        assertTrue(said().endsWith("nothing was changed\n"), said());
    }

    @Test
    void anotherNameAfterARefusal() throws IOException {
        when(keyboard.ask(any(), any(), anyChar())).thenReturn('n', 'a');
        when(keyboard.line(anyString(), anyString())).thenReturn("water");
        assertEquals(ExitCode.DONE, play("width", "sure").exitCode());
        assertTrue(said().contains("refused, nothing was changed:"), said());
        assertTrue(Files.readString(file).contains("int water;"));
    }

    @Test
    void aMentionIsLeftOutByItsNumber() throws IOException {
        when(keyboard.ask(any(), any(), anyChar())).thenReturn('o', 'a');
        when(keyboard.line(anyString(), anyString())).thenReturn("1");
        play("water", "all");
        assertTrue(said().contains("  1 [x] Berth.java:1  comment  // the depth"), said());
        assertTrue(Files.readString(file).startsWith("// the depth\n"));
    }

    @Test
    void leavingOutAReferenceIsToldAndNotDone() throws IOException {
        when(keyboard.ask(any(), any(), anyChar())).thenReturn('o', 'f', 'a');
        when(keyboard.line(anyString(), anyString())).thenReturn("3", "1");
        play("water", "none");
        assertTrue(said().contains("that cannot be left out:"), said());
        assertTrue(Files.readString(file).contains("return water;"));
    }

    @Test
    void anotherChoiceGivesAnotherPreview() throws IOException {
        when(keyboard.ask(any(), any(), anyChar())).thenReturn('c', '1', '3', 'a');
        play("water", "none");
        assertTrue(said().contains("mentions"), said());
        assertTrue(Files.readString(file).startsWith("// the water\n"), said());
    }

    @Test
    void leavingAChoiceLeavesThePreview() throws IOException {
        when(keyboard.ask(any(), any(), anyChar())).thenReturn('c', 'q', 'a');
        play("water", "none");
        assertTrue(Files.readString(file).startsWith("// the depth\n"), said());
    }
}
