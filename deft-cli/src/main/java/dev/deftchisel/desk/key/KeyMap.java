package dev.deftchisel.desk.key;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Which keys do what. */
public final class KeyMap {

    private final List<KeyBinding> bindings;
    private final Map<KeyContext, Map<List<Key>, Action>> actions = new LinkedHashMap<>();
    private final Map<KeyContext, Set<List<Key>>> beginnings = new LinkedHashMap<>();

    /** @param bindings of which an earlier one counts where two have the same keys */
    public KeyMap(Collection<KeyBinding> bindings) {
        this.bindings = List.copyOf(bindings);
        for (KeyBinding binding : bindings) {
            List<Key> chord = binding.chord();
            actions.computeIfAbsent(binding.where(), where -> new LinkedHashMap<>())
                    .putIfAbsent(chord, binding.action());
            for (int length = 1; length < chord.size(); length++) {
                beginnings.computeIfAbsent(binding.where(), where -> new LinkedHashSet<>())
                        .add(chord.subList(0, length));
            }
        }
    }

    /** All of them, in order. */
    public List<KeyBinding> bindings() {
        return bindings;
    }

    /** What pressing some keys one after the other comes to. */
    public sealed interface Pressed {

        /** They do something. */
        record Done(Action action) implements Pressed {
        }

        /** They are the first keys of a chord. */
        record Begun(List<Key> keys) implements Pressed {
        }

        /** They mean nothing. */
        record Nothing() implements Pressed {
        }
    }

    /**
     * What a key does after others. The modifier of the first key of a chord may still be down at those after it.
     *
     * @param before the keys of a chord that was begun
     */
    public Pressed press(KeyContext where, List<Key> before, Key key) {
        Pressed pressed = exactly(where, before, key);
        boolean isHeld = !before.isEmpty() && (key.alt() || key.ctrl());
        return pressed instanceof Pressed.Nothing && isHeld ? exactly(where, before, key.bare()) : pressed;
    }

    private Pressed exactly(KeyContext where, List<Key> before, Key key) {
        List<Key> chord = new ArrayList<>(before);
        chord.add(key);
        Action action = actions.getOrDefault(where, Map.of()).get(chord);
        if (action != null) {
            return new Pressed.Done(action);
        }
        return beginnings.getOrDefault(where, Set.of()).contains(chord) ? new Pressed.Begun(List.copyOf(chord))
                : new Pressed.Nothing();
    }

    /** What can follow the keys of a chord that was begun, in order. */
    public List<KeyBinding> after(KeyContext where, List<Key> begun) {
        return bindings.stream()
                .filter(binding -> binding.where() == where && binding.chord().size() > begun.size()
                        && binding.chord().subList(0, begun.size()).equals(begun))
                .toList();
    }

    /** The first keys for something; empty when it has none. */
    public Optional<List<Key>> keys(KeyContext where, String action) {
        return bindings.stream().filter(binding -> binding.where() == where && binding.action().id().equals(action))
                .map(KeyBinding::chord).findFirst();
    }
}
