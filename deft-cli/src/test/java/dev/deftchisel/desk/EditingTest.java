package dev.deftchisel.desk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.key.DefaultKeys;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.key.KeyMap;
import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.desk.text.Caret;
import dev.deftchisel.desk.text.Draft;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * Plain editing, from files: a text with carets, the keys, the text with carets then. A caret is {@code |}; what is
 * selected is between {@code <<} and {@code >>} with the caret at its end, or at its start when that reads {@code <|<}.
 */
class EditingTest {

    private static final int PAGE = 10;

    @TestFactory
    Stream<DynamicTest> editing() throws IOException {
        List<DynamicTest> tests = new ArrayList<>();
        try (Stream<Path> files = Files.list(Path.of("src/test/resources/desk/editing"))) {
            for (Path file : files.sorted().toList()) {
                for (String text : Files.readString(file).split("(?m)^=== ")) {
                    if (!text.isBlank()) {
                        String name = text.lines().findFirst().orElseThrow();
                        tests.add(DynamicTest.dynamicTest(file.getFileName() + ": " + name,
                                () -> run(text.substring(name.length() + 1))));
                    }
                }
            }
        }
        assertTrue(tests.size() > 40, "there are cases");
        return tests.stream();
    }

    private static void run(String text) {
        boolean isWindows = text.startsWith("--- CRLF\n");
        String[] parts = (isWindows ? text.substring("--- CRLF\n".length()) : text).split("(?m)^--- press ");
        Draft first = draft(parts[0], isWindows);
        Buffer buffer = new Buffer(Path.of("Berth.java"),
                new SourceText(first.content(), StandardCharsets.UTF_8, false, true), "    ");
        buffer.move(first);
        Editing editing = new Editing();
        for (int i = 1; i < parts.length; i++) {
            String keys = parts[i].lines().findFirst().orElseThrow();
            press(keys, buffer, editing);
            String expected = parts[i].substring(keys.length() + 1);
            assertEquals(expected.strip(), shown(buffer.draft()).replace("\r\n", "\n").strip(), "after " + keys);
            assertTrue(!isWindows || !buffer.draft().content().replace("\r\n", "").contains("\n"),
                    "line ends stay what they are");
        }
    }

    private static void press(String keys, Buffer buffer, Editing editing) {
        KeyMap map = DefaultKeys.with(List.of());
        List<Key> begun = List.of();
        for (String word : keys.split(" ")) {
            if (word.startsWith("'")) {
                word.substring(1).codePoints().forEach(letter -> editing.type(buffer, Character.toString(letter)
                        .replace('_', ' ')));
                continue;
            }
            KeyMap.Pressed pressed = map.press(KeyContext.CODE, begun, Key.read(word)
                    .orElseThrow(() -> new AssertionError(word
                    + " is no key")));
            if (pressed instanceof KeyMap.Pressed.Begun more) {
                begun = more.keys();
                continue;
            }
            begun = List.of();
            Command command = assertInstanceOf(Command.class, assertInstanceOf(KeyMap.Pressed.Done.class, pressed, word)
                    .action());
            if (command == Command.UNDO) {
                buffer.undo();
            } else if (command == Command.REDO) {
                buffer.redo();
            } else {
                assertTrue(editing.take(command, buffer, PAGE), command + " is for the text");
            }
        }
    }

    private static Draft draft(String marked, boolean isWindows) {
        StringBuilder text = new StringBuilder();
        List<Caret> carets = new ArrayList<>();
        int anchor = -1;
        boolean isBackward = false;
        for (int i = 0; i < marked.length(); i++) {
            if (marked.startsWith("<<", i) || marked.startsWith("<|<", i)) {
                isBackward = marked.startsWith("<|<", i);
                anchor = text.length();
                i += isBackward ? 2 : 1;
            } else if (marked.startsWith(">>", i)) {
                carets.add(isBackward ? new Caret(text.length(), anchor, -1)
                        : Caret.over(new Range(anchor, text.length())));
                i++;
            } else if (marked.charAt(i) == '|') {
                carets.add(Caret.at(text.length()));
            } else {
                text.append(isWindows && marked.charAt(i) == '\n' ? "\r\n" : String.valueOf(marked.charAt(i)));
            }
        }
        return Draft.of(text.toString(), carets, carets.get(carets.size() - 1));
    }

    private static String shown(Draft draft) {
        StringBuilder text = new StringBuilder(draft.content());
        draft.carets().stream().sorted(Comparator.comparing((Caret caret) -> caret.range().start()).reversed())
                .forEach(caret -> {
            if (caret.isBare()) {
                text.insert(caret.head(), "|");
            } else {
                text.insert(caret.range().end(), ">>").insert(caret.range().start(), caret.head() < caret.anchor()
                        ? "<|<" : "<<");
            }
        });
        return text.toString();
    }
}
