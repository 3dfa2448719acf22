package dev.deftchisel.desk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.desk.background.BackgroundTasks;
import dev.deftchisel.desk.background.ImmediateTasks;
import dev.deftchisel.desk.key.DefaultKeys;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.examples.DemoWorkspace;
import dev.deftchisel.operation.Place;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What comes while a name that was typed over is still being changed. */
class TypedOverTest {

    private static final String OFFICE = "src/main/java/harbour/office/HarbourOffice.java";

    @TempDir
    private Path folder;
    private final Deque<Runnable> answers = new ArrayDeque<>();
    private Chisel chisel;
    private Desk desk;

    /** Looks at once, but what comes of it is told when the test says so. */
    private final class Late implements BackgroundTasks {

        @Override
        public <T> void ask(TaskPurpose lane, Map<Path, String> texts, Function<Chisel, T> work, Consumer<T> then,
                Consumer<RuntimeException> failed) {
            // the answer is of the texts at this moment, as it is when somebody else works it out
            new ImmediateTasks(chisel).ask(lane, texts, work, found -> answers.add(() -> then.accept(found)),
                    refused -> answers.add(() -> failed.accept(refused)));
        }

        @Override
        public boolean isWorking() {
            return !answers.isEmpty();
        }

        @Override
        public void close() {
            // there is nothing to wait for
        }
    }

    @BeforeEach
    void extract() throws Exception {
        DemoWorkspace.beside().copyTo(folder);
        chisel = Chisel.open(OpenRequest.at(folder), Monitor.SILENT);
        Place place = chisel.place(folder.resolve(OFFICE) + ":30:1");
        CommandList commandList = CommandList.installed();
        desk = new Desk(chisel.workspace(), new CaretInFile(chisel.snapshot().file(place.file()).orElseThrow(),
                place.caret()),
                    new Late(), DefaultKeys.with(commandList.operations()), commandList);
        Key.chord("End Left Left Left Left Alt-Right Alt-Right Alt-t v Enter Enter").orElseThrow().forEach(key -> {
            desk.press(key);
            settle();
        });
        "draught".chars().forEach(letter -> desk.press(Key.of(String.valueOf((char) letter))));
        settle();
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private void settle() {
        while (!answers.isEmpty()) {
            answers.poll().run();
        }
    }

    private String disk() throws Exception {
        return Files.readString(folder.resolve(OFFICE));
    }

    @ParameterizedTest
    @ValueSource(strings = {";", "Down", "Alt-l d"})
    void whatComesBehindTheNameWaitsUntilItIsChanged(String keys) throws Exception {
        assertTrue(desk.draft().content().contains("Metres draught = Metres.of(6);"), "it is typed");
        Key.chord(keys).orElseThrow().forEach(desk::press);
        assertEquals("", desk.message());
        settle();
        assertTrue(disk().contains("Metres draught = Metres.of(6);"), desk.message());
        assertTrue(desk.draft().content().contains("new Berth(1, length, draught)"), desk.draft().content());
    }

    @Test
    void whatIsPastedBehindTheNameWaitsToo() throws Exception {
        desk.paste("/* six */ ");
        assertFalse(desk.draft().content().contains("/* six */"), "not before the name is changed");
        settle();
        assertTrue(disk().contains("Metres draught = Metres.of(6);"), desk.message());
        assertTrue(desk.draft().content().contains("/* six */"), "then it comes");
    }
}
