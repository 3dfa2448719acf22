package dev.deftchisel.desk.key;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * One press of a key.
 *
 * @param ctrl  whether Ctrl is down
 * @param alt   whether Alt is down; a terminal sends Esc before the key then
 * @param shift whether Shift is down; for letters that is in the letter
 * @param name  the character it writes, or one of {@link #NAMES}
 */
public record Key(boolean ctrl, boolean alt, boolean shift, String name) {

    /** Keys that write nothing. */
    public static final List<String> NAMES = List.of("Enter", "Tab", "Esc", "Space", "Backspace", "Delete", "Insert",
            "Up", "Down",
            "Left", "Right", "Home", "End", "PageUp", "PageDown");

    private static final Map<String, String> SHOWN = Map.of("Up", "\u2191", "Down", "\u2193", "Left", "\u2190", "Right",
            "\u2192");

    /** A key without Ctrl, Alt and Shift. */
    public static Key of(String name) {
        return new Key(false, false, false, name.equals(" ") ? "Space" : name);
    }

    /** The same key with Alt. */
    public Key withAlt() {
        return new Key(ctrl, true, shift, name);
    }

    /** The same key with Ctrl. */
    public Key withCtrl() {
        return new Key(true, alt, shift, name);
    }

    /** The same key with Shift. */
    public Key withShift() {
        return new Key(ctrl, alt, true, name);
    }

    /** The same key with neither Ctrl nor Alt. */
    public Key bare() {
        return new Key(false, false, shift, name);
    }

    /** What the key writes; empty for keys that write nothing. */
    public Optional<String> text() {
        if (ctrl || alt) {
            return Optional.empty();
        }
        if (name.equals("Space")) {
            return Optional.of(" ");
        }
        return NAMES.contains(name) ? Optional.empty() : Optional.of(name);
    }

    /**
     * Reads a key as people write it, for instance {@code Alt-r}, {@code Ctrl-Shift-Up} or {@code x}.
     *
     * @return empty when there is no such key
     */
    public static Optional<Key> read(String text) {
        boolean ctrl = false;
        boolean alt = false;
        boolean shift = false;
        String rest = text;
        for (int dash = rest.indexOf('-'); dash > 0 && dash < rest.length() - 1; dash = rest.indexOf('-')) {
            switch (rest.substring(0, dash)) {
                case "Ctrl" -> ctrl = true;
                case "Alt" -> alt = true;
                case "Shift" -> shift = true;
                default -> {
                    return Optional.empty();
                }
            }
            rest = rest.substring(dash + 1);
        }
        boolean isCharacter = rest.codePointCount(0, rest.length()) == 1
                && !Character.isWhitespace(rest.codePointAt(0));
        return isCharacter || NAMES.contains(rest) ? Optional.of(new Key(ctrl, alt, shift, rest)) : Optional.empty();
    }

    /**
     * Reads a chord: keys with blanks between them.
     *
     * @return empty when one of them is no key
     */
    public static Optional<List<Key>> chord(String text) {
        List<Key> keys = new ArrayList<>();
        for (String word : text.strip().split("\\s+")) {
            Optional<Key> key = read(word);
            if (key.isEmpty()) {
                return Optional.empty();
            }
            keys.add(key.get());
        }
        return Optional.of(List.copyOf(keys));
    }

    /** A chord as {@link #chord} reads it. */
    public static String shown(List<Key> chord) {
        return chord.stream().map(Key::toString).collect(Collectors.joining(" "));
    }

    /** A chord as short as can be, with arrows. */
    public static String brief(List<Key> chord) {
        return chord.stream().map(Key::brief).collect(Collectors.joining(" "));
    }

    private String brief() {
        return modifiers() + SHOWN.getOrDefault(name, name);
    }

    private String modifiers() {
        return Stream.of(ctrl ? "Ctrl-" : "", alt ? "Alt-" : "", shift ? "Shift-" : "").collect(Collectors.joining());
    }

    @Override
    public String toString() {
        return modifiers() + name;
    }
}
