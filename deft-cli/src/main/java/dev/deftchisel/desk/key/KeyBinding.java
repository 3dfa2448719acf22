package dev.deftchisel.desk.key;

import java.util.List;

/**
 * A key, or keys one after the other, and what they do.
 *
 * @param where in front of what
 * @param chord at least one key
 * @param action what it does
 */
public record KeyBinding(KeyContext where, List<Key> chord, Action action) {

    /** Copies the list. */
    public KeyBinding {
        chord = List.copyOf(chord);
    }
}
