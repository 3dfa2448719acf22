package dev.deftchisel.desk;

import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.desk.background.ImmediateTasks;
import dev.deftchisel.desk.key.DefaultKeys;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.picture.Picture;
import dev.deftchisel.examples.DemoWorkspace;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * Stories of somebody at the desk, from files, on the harbour office:
 * <pre>
 * at PLACE          begins there; 'size 24x80' before it makes a small screen
 * press KEYS        presses keys, one after the other
 * type TEXT         types text
 * see TEXT          the text is somewhere on the screen; 'not TEXT' that it is not
 * disk FILE: TEXT   the file contains the text; 'gone FILE' that there is no such file
 * write FILE: TEXT  somebody else puts the text before the first line of the file
 * </pre>
 */
class StoryTest {

    @TestFactory
    Stream<DynamicTest> stories() throws IOException {
        List<DynamicTest> tests = new ArrayList<>();
        try (Stream<Path> files = Files.list(Path.of("src/test/resources/desk/story"))) {
            for (Path file : files.sorted().toList()) {
                for (String text : Files.readString(file).split("(?m)^=== ")) {
                    if (!text.isBlank()) {
                        List<String> lines = text.lines().toList();
                        tests.add(DynamicTest.dynamicTest(file.getFileName() + ": " + lines.get(0),
                                () -> tell(lines.subList(1,
                                lines.size()))));
                    }
                }
            }
        }
        assertTrue(tests.size() > 10, "there are stories");
        return tests.stream();
    }

    private static void tell(List<String> lines) throws IOException {
        Path folder = DemoWorkspace.beside().copyTo(Files.createTempDirectory("deft-story"));
        try (Chisel chisel = Chisel.open(OpenRequest.at(folder), Monitor.SILENT)) {
            Story story = new Story(folder, chisel);
            for (String line : lines) {
                if (!line.isBlank() && !line.startsWith("#")) {
                    int blank = line.indexOf(' ');
                    story.tell(line.substring(0, blank), line.substring(blank + 1));
                }
            }
        }
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        }
    }

    private static final class Story {

        private final Path folder;
        private final Chisel chisel;
        private int height = 46;
        private int width = 158;
        private Desk desk;

        Story(Path folder, Chisel chisel) {
            this.folder = folder;
            this.chisel = chisel;
        }

        void tell(String verb, String what) throws IOException {
            switch (verb) {
                case "size" -> {
                    height = Integer.parseInt(what.substring(0, what.indexOf('x')));
                    width = Integer.parseInt(what.substring(what.indexOf('x') + 1));
                }
                case "at" -> begin(what);
                case "press" -> Key.chord(what).orElseThrow(() -> new AssertionError(what + " are no keys"))
                        .forEach(desk::press);
                case "type" -> what.codePoints().forEach(letter -> desk.press(Key.of(Character.toString(letter))));
                case "paste" -> desk.paste(what.replace("\\n", "\n"));
                case "see" -> assertTrue(seen().contains(what), "'" + what + "' should be seen in\n" + seen());
                case "not" -> assertTrue(!seen().contains(what), "'" + what + "' should not be seen in\n" + seen());
                case "disk" -> assertTrue(disk(what).contains(what.substring(what.indexOf(": ") + 2)),
                        what + "\n" + disk(what));
                case "gone" -> assertTrue(!Files.exists(file(what)), what);
                case "write" -> Files.writeString(file(what.substring(0, what.indexOf(": "))),
                        what.substring(what.indexOf(": ") + 2)
                        + "\n" + disk(what));
                case "left" -> assertTrue(desk.hasLeft() == what.equals("yes"), "left: " + what);
                default -> throw new AssertionError("no such verb: " + verb);
            }
        }

        private void begin(String where) {
            String path = where.startsWith("harbour.") ? where : "src/main/java/harbour/" + where;
            Place place = chisel.place(path);
            SourceFile file = chisel.snapshot().file(place.file()).orElseThrow();
            CommandList commandList = CommandList.installed();
            desk = new Desk(chisel.workspace(), new CaretInFile(file, place.caret()),
                    new ImmediateTasks(chisel), DefaultKeys.with(commandList.operations()), commandList);
            if (place.selection().length() > 0) {
                Range selection = place.selection();
                for (int i = selection.start(); i < selection.end(); i++) {
                    desk.press(Key.of("Right").withShift());
                }
            }
        }

        private Path file(String name) {
            return folder.resolve("src/main/java/harbour").resolve(name);
        }

        private String disk(String what) throws IOException {
            return Files.readString(file(what.substring(0, what.indexOf(": "))));
        }

        private String seen() {
            Picture picture = desk.draw(height, width);
            assertTrue(picture.caret().isPresent() || desk.panel().isPresent(), "there is a caret");
            return picture.toString();
        }
    }
}
