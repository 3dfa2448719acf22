package dev.deftchisel.desk.key;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * The keys as they are unless somebody wants them otherwise. The thumb holds Alt and the fingers of the left hand find
 * what is done most often, while the right one is on the arrows; the first letter of a word is the key where it can be.
 * What every editor does by Ctrl and a letter (CUA) is there too.
 */
public final class DefaultKeys {

    private static final Map<Command, String> CODE = Map.ofEntries(
            Map.entry(Command.OFFERS, "Tab"),
            Map.entry(Command.OPERATIONS, "Shift-Tab"),
            Map.entry(Command.NEXT_PROBLEM, "Alt-e"),
            Map.entry(Command.PREVIOUS_PROBLEM, "Alt-w"),
            Map.entry(Command.PROBLEMS, "Alt-E, Alt-g w"),
            Map.entry(Command.FIX, "Alt-f"),
            Map.entry(Command.FIX_ALIKE, "Alt-a"),
            Map.entry(Command.AGAIN, "Alt-."),
            Map.entry(Command.UNDO, "Alt-z, Ctrl-z"),
            Map.entry(Command.REDO, "Alt-y, Ctrl-y"),
            Map.entry(Command.HISTORY, "Alt-p"),
            Map.entry(Command.SAVE, "Ctrl-s"),
            Map.entry(Command.LEAVE, "Ctrl-q"),
            Map.entry(Command.CLOSE, "Esc"),
            Map.entry(Command.HELP, "Alt-h"),
            Map.entry(Command.FIND, "Alt-j"),
            Map.entry(Command.OUTLINE, "Alt-o"),
            Map.entry(Command.DECLARATION, "Alt-d"),
            Map.entry(Command.PEEK, "Alt-q"),
            Map.entry(Command.USES, "Alt-u"),
            Map.entry(Command.BACK, "Alt-s"),
            Map.entry(Command.FORTH, "Alt-S"),
            Map.entry(Command.IMPLEMENTATIONS, "Alt-i, Alt-g i"),
            Map.entry(Command.TYPE, "Alt-g t"),
            Map.entry(Command.CALLERS, "Alt-g c"),
            Map.entry(Command.COUNTERPART, "Alt-g k"),
            Map.entry(Command.NEXT_MEMBER, "Ctrl-Down, Alt-g n"),
            Map.entry(Command.PREVIOUS_MEMBER, "Ctrl-Up, Alt-g p"),
            Map.entry(Command.BRACKET, "Alt-g b"),
            Map.entry(Command.FILE_START, "Ctrl-Home, Alt-g s"),
            Map.entry(Command.FILE_END, "Ctrl-End, Alt-g e"),
            Map.entry(Command.UP, "Up"),
            Map.entry(Command.DOWN, "Down"),
            Map.entry(Command.LEFT, "Left"),
            Map.entry(Command.RIGHT, "Right"),
            Map.entry(Command.WORD_LEFT, "Ctrl-Left"),
            Map.entry(Command.WORD_RIGHT, "Ctrl-Right"),
            Map.entry(Command.LINE_START, "Home"),
            Map.entry(Command.LINE_END, "End"),
            Map.entry(Command.PAGE_UP, "PageUp"),
            Map.entry(Command.PAGE_DOWN, "PageDown"),
            Map.entry(Command.SELECT_UP, "Shift-Up"),
            Map.entry(Command.SELECT_DOWN, "Shift-Down"),
            Map.entry(Command.SELECT_LEFT, "Shift-Left"),
            Map.entry(Command.SELECT_RIGHT, "Shift-Right"),
            Map.entry(Command.SELECT_WORD_LEFT, "Ctrl-Shift-Left"),
            Map.entry(Command.SELECT_WORD_RIGHT, "Ctrl-Shift-Right"),
            Map.entry(Command.SELECT_LINE_START, "Shift-Home"),
            Map.entry(Command.SELECT_LINE_END, "Shift-End"),
            Map.entry(Command.MARK, "Alt-m"),
            Map.entry(Command.GROW, "Alt-Right"),
            Map.entry(Command.SHRINK, "Alt-Left"),
            Map.entry(Command.SELECT_ALL, "Ctrl-a"),
            Map.entry(Command.ENTER, "Enter"),
            Map.entry(Command.BACKSPACE, "Backspace"),
            Map.entry(Command.DELETE, "Delete"),
            Map.entry(Command.DELETE_WORD_LEFT, "Alt-Backspace, Ctrl-w"),
            Map.entry(Command.DELETE_WORD_RIGHT, "Alt-Delete, Ctrl-Delete"),
            Map.entry(Command.CUT, "Alt-x, Ctrl-x"),
            Map.entry(Command.COPY, "Alt-c, Ctrl-c"),
            Map.entry(Command.PASTE, "Alt-v, Ctrl-v"),
            Map.entry(Command.PASTE_EARLIER, "Alt-V"),
            Map.entry(Command.LINE_UP, "Alt-l Up"),
            Map.entry(Command.LINE_DOWN, "Alt-l Down"),
            Map.entry(Command.LINE_DUPLICATE, "Alt-l d"),
            Map.entry(Command.LINE_CUT, "Alt-l x"),
            Map.entry(Command.LINE_DELETE, "Alt-l Delete"),
            Map.entry(Command.LINE_JOIN, "Alt-l j"),
            Map.entry(Command.LINE_AFTER, "Alt-l Enter, Alt-l a"),
            Map.entry(Command.LINE_BEFORE, "Alt-l b"),
            Map.entry(Command.LINE_COMMENT, "Alt-l c"),
            Map.entry(Command.LINE_IN, "Alt-l Right"),
            Map.entry(Command.LINE_OUT, "Alt-l Left"),
            Map.entry(Command.FOLD, "Alt-l f"),
            Map.entry(Command.FOLD_ALL, "Alt-l F"),
            Map.entry(Command.CARET_NEXT, "Alt-n, Alt-k n"),
            Map.entry(Command.CARET_ALL, "Alt-N, Alt-k a"),
            Map.entry(Command.CARET_UP, "Alt-Up, Alt-k Up"),
            Map.entry(Command.CARET_DOWN, "Alt-Down, Alt-k Down"),
            Map.entry(Command.CARET_COLUMN, "Alt-k c"),
            Map.entry(Command.CARET_DROP, "Alt-k x"));

    private static final Map<Command, String> LIST = Map.of(
            Command.CHOOSE, "Enter",
            Command.NEXT, "Down, Tab",
            Command.PREVIOUS, "Up, Shift-Tab",
            Command.NEXT_PAGE, "PageDown",
            Command.PREVIOUS_PAGE, "PageUp",
            Command.OTHER, "Right",
            Command.OTHER_BACK, "Left",
            Command.ERASE, "Backspace",
            Command.ERASE_ALL, "Alt-Backspace, Ctrl-w",
            Command.CLOSE, "Esc, Ctrl-q");

    private static final Map<Command, String> TAKE = Map.ofEntries(
            Map.entry(Command.CHOOSE, "Enter"),
            Map.entry(Command.NEXT, "Down"),
            Map.entry(Command.PREVIOUS, "Up"),
            Map.entry(Command.NEXT_PAGE, "PageDown"),
            Map.entry(Command.PREVIOUS_PAGE, "PageUp"),
            Map.entry(Command.OTHER, "Right"),
            Map.entry(Command.OTHER_BACK, "Left"),
            Map.entry(Command.SWITCH, "Space"),
            Map.entry(Command.EARLIER, "Alt-Up"),
            Map.entry(Command.LATER, "Alt-Down"),
            Map.entry(Command.PART, "Tab, Shift-Tab"),
            Map.entry(Command.ERASE, "Backspace"),
            Map.entry(Command.ERASE_ALL, "Alt-Backspace, Ctrl-w"),
            Map.entry(Command.CLOSE, "Esc, Ctrl-q"));

    /** Operations that have a key; all others are found by words. */
    private static final Map<String, String> TAKEN = Map.ofEntries(
            Map.entry("rename", "Alt-r"),
            Map.entry("inline", "Alt-b"),
            Map.entry("extract-variable", "Alt-t v"),
            Map.entry("extract-method", "Alt-t m"),
            Map.entry("extract-constant", "Alt-t c"),
            Map.entry("extract-field", "Alt-t f"),
            Map.entry("extract-parameter", "Alt-t p"));

    private DefaultKeys() {
    }

    /**
     * The map.
     *
     * @param operations all there are, with what they do
     */
    public static KeyMap with(List<Action.Take> operations) {
        List<KeyBinding> bindings = new ArrayList<>();
        for (Command command : Command.values()) {
            bindings.addAll(bindings(KeyContext.CODE, command, CODE.getOrDefault(command, "")));
            bindings.addAll(bindings(KeyContext.LIST, command, LIST.getOrDefault(command, "")));
            bindings.addAll(bindings(KeyContext.TAKE, command, TAKE.getOrDefault(command, "")));
        }
        operations.forEach(operation -> bindings
                .addAll(bindings(KeyContext.CODE, operation, TAKEN.getOrDefault(operation.id(), ""))));
        return new KeyMap(bindings);
    }

    private static List<KeyBinding> bindings(KeyContext where, Action action, String chords) {
        return Stream.of(chords.split(", ")).filter(chord -> !chord.isEmpty())
                .map(chord -> new KeyBinding(where, Key.chord(chord).orElseThrow(), action)).toList();
    }
}
