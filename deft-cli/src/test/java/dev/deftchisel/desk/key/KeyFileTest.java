package dev.deftchisel.desk.key;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class KeyFileTest {

    private static final List<Action.Take> OPERATIONS = List.of(new Action.Take("rename", "give a symbol another name"),
            new Action.Take("extract-variable", "give a value a name"));
    private static final KeyMap STANDARD = DefaultKeys.with(OPERATIONS);

    private static KeyFile read(String... lines) {
        return KeyFile.read("keys", List.of(lines), STANDARD, OPERATIONS);
    }

    private static String pressed(KeyMap map, KeyContext where, String chord) {
        List<Key> keys = Key.chord(chord).orElseThrow();
        List<Key> begun = List.of();
        KeyMap.Pressed pressed = new KeyMap.Pressed.Nothing();
        for (Key key : keys) {
            pressed = map.press(where, begun, key);
            begun = pressed instanceof KeyMap.Pressed.Begun more ? more.keys() : List.of();
        }
        return pressed instanceof KeyMap.Pressed.Done done ? done.action().id() : pressed.getClass().getSimpleName();
    }

    @Test
    void noTwoStandardKeysClash() {
        assertEquals(List.of(), read().faults());
    }

    @Test
    void aLineTakesThePlaceOfTheStandardKeys() {
        KeyFile file = read("# mine", "", "uses = Alt-Enter, Ctrl-e u   # both", "list next = Ctrl-n");
        assertEquals(List.of(), file.faults());
        assertEquals("uses", pressed(file.map(), KeyContext.CODE, "Alt-Enter"));
        assertEquals("uses", pressed(file.map(), KeyContext.CODE, "Ctrl-e u"));
        assertEquals("Nothing", pressed(file.map(), KeyContext.CODE, "Alt-u"));
        assertEquals("next", pressed(file.map(), KeyContext.LIST, "Ctrl-n"));
        assertEquals("rename", pressed(file.map(), KeyContext.CODE, "Alt-r"));
    }

    @Test
    void nothingBehindTheSignTakesTheKeysAway() {
        KeyFile file = read("history =");
        assertEquals(List.of(), file.faults());
        assertEquals("Nothing", pressed(file.map(), KeyContext.CODE, "Alt-p"));
    }

    @Test
    void operationsCanHaveKeys() {
        assertEquals("extract-variable", pressed(read("extract-variable = Ctrl-e").map(), KeyContext.CODE, "Ctrl-e"));
    }

    @Test
    void twoLinesWithTheSameKeysAreToldAndTheFirstCounts() {
        KeyFile file = read("uses = Ctrl-e", "outline = Ctrl-e");
        assertEquals(List.of("keys:2: Ctrl-e is for 'uses' and 'outline'; the first of them counts"), file.faults());
        assertEquals("uses", pressed(file.map(), KeyContext.CODE, "Ctrl-e"));
    }

    @Test
    void aStandardKeyGivesWayAndThatIsTold() {
        KeyFile file = read("uses = Alt-r");
        assertEquals(List.of("keys:1: Alt-r is for 'uses' and 'rename'; the first of them counts"), file.faults());
        assertEquals("uses", pressed(file.map(), KeyContext.CODE, "Alt-r"));
    }

    @Test
    void aKeyThatBeginsAChordClashesWithIt() {
        assertTrue(read("uses = Alt-g").faults().stream()
                .anyMatch(fault -> fault.startsWith("keys:1: Alt-g and Alt-g t clash")));
    }

    @Test
    void whatCannotBeUnderstoodIsToldWithItsLine() {
        assertEquals(List.of(
                "keys:1: '=' is missing; write what is to be done = keys",
                "keys:2: there is nothing called 'fly'; 'deft desk --keys' prints what there is",
                "keys:3: 'Super-r' is no key; write for instance Alt-r, Ctrl-Up or Alt-t v",
                "keys:4: 'panel' is none of code, list, take"),
                read("uses", "fly = Alt-r", "uses = Super-r", "panel next = Ctrl-n").faults());
    }

    @Test
    void theModifierOfAChordMayStayDown() {
        assertEquals("extract-variable", pressed(STANDARD, KeyContext.CODE, "Alt-t v"));
        assertEquals("extract-variable", pressed(STANDARD, KeyContext.CODE, "Alt-t Alt-v"));
        assertEquals("line-up", pressed(STANDARD, KeyContext.CODE, "Alt-l Alt-Up"));
        assertEquals("Begun", pressed(STANDARD, KeyContext.CODE, "Alt-t"));
    }

    @Test
    void keysAreReadAsTheyAreWritten() {
        for (String text : List.of("Alt-r", "Ctrl-Shift-Up", "x", "Alt--", "Space", "Ctrl-Alt-Delete", "é")) {
            assertEquals(Optional.of(text), Key.read(text).map(Key::toString));
        }
        for (String text : List.of("", "Alt-", "Hyper-x", "xy", "Alt-up")) {
            assertEquals(Optional.empty(), Key.read(text), text);
        }
    }

    @Test
    void aPageNamesEveryOperationWithOrWithoutAKey() {
        String page = new KeyPage(STANDARD, OPERATIONS).markdown();
        assertTrue(page.contains("| `Alt-r` | give a symbol another name | `rename` |"), page);
        assertTrue(page.contains("| `Ctrl-Down`, `Alt-g n` | next member | `next-member` |"), page);
    }

    @Test
    void everyCommandOfTheCodeHasAKey() {
        for (Command command : Command.values()) {
            boolean isOfPanels = command.theme() == Command.Theme.PANEL;
            KeyContext where = isOfPanels ? KeyContext.TAKE : KeyContext.CODE;
            assertTrue(STANDARD.keys(where, command.id()).isPresent(), command.id());
        }
        assertInstanceOf(KeyMap.Pressed.Nothing.class, STANDARD.press(KeyContext.CODE, List.of(), Key.of("x")));
    }
}
