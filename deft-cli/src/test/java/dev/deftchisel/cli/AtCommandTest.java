package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyChar;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.console.Keyboard;
import dev.deftchisel.cli.console.Palette;
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

/** Plays keys to the loop at a place. */
class AtCommandTest {

    private static final String SOURCE = "class Berth {\n\tint depth;\n    int free() { return depth; }\n}\n";

    @TempDir
    private Path folder;
    private Path file;
    private Chisel chisel;
    private final Keyboard keyboard = mock(Keyboard.class);
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();

    @BeforeEach
    void open() throws IOException {
        file = folder.resolve("Berth.java");
        Files.writeString(file, SOURCE);
        chisel = Chisel.open(OpenRequest.plain(folder, List.of(folder), List.of()), Monitor.SILENT);
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private String play(String place) {
        PrintStream stream = new PrintStream(out, true, StandardCharsets.UTF_8);
        Console console = new Console(
                new ByteArrayInputStream(new byte[0]), stream, stream, true, false, new Palette(false));
        assertEquals(ExitCode.DONE, AtCommand.loop(chisel, console, keyboard, chisel.place(place)));
        return out.toString(StandardCharsets.UTF_8);
    }

    private void keys(Character first, Character... more) {
        when(keyboard.ask(any(), any(), anyChar())).thenReturn(first, more);
    }

    private void lines(String first, String... more) {
        when(keyboard.line(anyString(), anyString())).thenReturn(first, more);
    }

    @Test
    void theLineIsShownWithAMarkUnderThePlace() {
        keys('q');
        String said = play("Berth#depth");
        assertTrue(said.contains("Berth.java:2:6  field Berth.depth"), said);
        assertTrue(said.contains("    2 |     int depth;\n      |         ^"), said);
    }

    @Test
    void anOfferIsTakenAppliedAndTakenBackWithoutLeaving() throws IOException {
        keys('r', 'a', 'u', 'q');
        lines("water");
        String said = play("Berth#depth");
        assertTrue(said.contains("2 linked places carry the new name"), said);
        assertTrue(said.contains("field Berth.water"), "the loop goes on at the new name: " + said);
        assertTrue(said.contains("taken back: rename the field Berth.depth to water"), said);
        assertEquals(SOURCE, Files.readString(file));
    }

    @Test
    void anotherPlaceIsGoneTo() {
        keys('g', 'g', 'q');
        lines("Berth#free()", "Berth#nothing");
        String said = play("Berth#depth");
        assertTrue(said.contains("method Berth.free()"), said);
        assertTrue(said.contains("declares no member"), "a place that is not there is told and the loop goes on: "
                + said);
    }

    @Test
    void theNextProblemIsFixedWithOneKeyEach() throws IOException {
        String source = "class Berth {\n    boolean isFree(Object vessel) {\n        int spare = 0;\n"
                + "        return vessel == null ? true : false;\n    }\n}\n";
        Files.writeString(file, source);
        chisel.refresh();
        keys('.', ',', 'a', '.', ',', 'a', ',', 'u', 'u', 'q');
        String said = play("Berth");
        assertTrue(said.contains("Berth.java:3:13  warning  'spare' is never read"), said);
        assertTrue(said.contains("done: remove the variable"), said);
        assertTrue(said.contains("+        return vessel == null;"), said);
        assertTrue(said.contains("there is nothing to fix on this line; '.' goes to the next problem"), said);
        assertEquals(source, Files.readString(file));
    }

    @Test
    void anotherFixIsPickedByItsNumber() throws IOException {
        file = folder.resolve("Quay.java");
        Files.writeString(file, "class Quay {\n    void tell(int depth) { int due = 2L * depth; due++; }\n}\n");
        chisel.refresh();
        keys('.', ';', '2', 'a', ';', 'q');
        String said = play("Quay");
        assertTrue(said.contains("  1 cast it to int\n  2 change the type of 'due' to long\n"), said);
        assertTrue(Files.readString(file).contains("void tell(int depth) { long due = 2L * depth; due++; }"),
                Files.readString(file));
    }

    @Test
    void whereThereIsNoProblemThatIsSaid() {
        keys('.', ',', 'q');
        assertTrue(play("Berth#depth").contains("there is no problem in this file"));
    }

    @Test
    void nothingIsDoneWithoutAName() throws IOException {
        keys('r', 'u', 'q');
        lines("");
        String said = play("Berth#depth");
        assertTrue(said.contains("there is nothing to undo"), said);
        assertEquals(SOURCE, Files.readString(file));
    }

    @Test
    void oneOfSeveralExpressionsIsPickedByItsNumber() throws IOException {
        file = folder.resolve("Quay.java");
        Files.writeString(file, "class Quay {\n    int twice(int depth) { return Math.abs(depth * 2); }\n}\n");
        chisel.refresh();
        keys('v', '2', 'a', 'q');
        String said = play(file + ":2:47");
        assertTrue(said.contains("  1 depth * 2\n  2 Math.abs(depth * 2)\n"), said);
        assertTrue(said.contains("2 linked places carry the new name"), said);
        assertTrue(Files.readString(file).contains("int abs = Math.abs(depth * 2); return abs;"),
                Files.readString(file));
    }

    @Test
    void leavingThePickChangesNothing() throws IOException {
        file = folder.resolve("Quay.java");
        Files.writeString(file, "class Quay {\n    int twice(int depth) { return Math.abs(depth * 2); }\n}\n");
        chisel.refresh();
        keys('v', 'q', 'q');
        String said = play(file + ":2:47");
        assertFalse(said.contains("would extract"), said);
    }

    @Test
    void membersAreChosenByTheirNumbersInOrder() throws IOException {
        file = folder.resolve("Quay.java");
        Files.writeString(file, "class Quay {\n    int depth;\n    int rate;\n}\n");
        chisel.refresh();
        keys('f', 'a', 'q');
        lines("2 1");
        String said = play(file + ":1:7");
        assertTrue(said.contains("  1 [x] depth\n  2 [x] rate\n"), said);
        assertTrue(said.contains("5 new lines in 1 file"), said);
        assertTrue(Files.readString(file).contains("\"Quay[rate=\" + rate + \", depth=\" + depth + \"]\""),
                Files.readString(file));
    }

    @Test
    void aFlagIsTurnedWhereTheRestIsChosen() throws IOException {
        file = folder.resolve("Quay.java");
        Files.writeString(file, "class Quay {\n    int[] marks;\n}\n");
        chisel.refresh();
        keys('a', 'c', '3', 'a', 'q');
        String said = play(file + ":2:11");
        assertTrue(said.contains("arrays and collections are copied: no"), said);
        assertTrue(Files.readString(file).contains("marks.clone()"), Files.readString(file));
    }

    @Test
    void whatWasWrittenElsewhereIsJumpedTo() throws IOException {
        file = folder.resolve("Quay.java");
        Files.writeString(file, "class Quay {\n    int free(Berth berth) { return berth.width(); }\n}\n");
        chisel.refresh();
        keys('m', 'a', 'j', 'q');
        String said = play(file + ":2:43");
        assertTrue(said.contains("Berth.java:6:3  class UnsupportedOperationException")
                || said.contains("Berth.java:6:3\n"), said);
        assertTrue(Files.readString(folder.resolve("Berth.java")).contains("\tint width() {"));
    }

    @Test
    void whatIsEditedMeanwhileIsSeen() throws IOException {
        when(keyboard.ask(any(), any(), anyChar())).thenAnswer(call -> {
            Files.writeString(file, SOURCE.replace("depth", "water"));
            return 'g';
        }).thenReturn('q');
        lines("Berth#water");
        assertTrue(play("Berth#depth").contains("field Berth.water"), out.toString(StandardCharsets.UTF_8));
    }

    @Test
    void whereNothingIsOfferedThatIsSaid() {
        keys('q');
        String said = play(file + ":5:1");
        assertTrue(said.contains("nothing to offer here"), said);
        assertFalse(said.contains("rename"), said);
    }
}
