package dev.deftchisel.desk.key;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A user's own keys. Each line of the file names what is to be done and the keys for it, which take the place of the
 * standard ones; nothing after the sign takes the keys away:
 * <pre>
 * # what is done = keys, or several with commas
 * uses         = Alt-Enter
 * extract-variable = Alt-t v, Ctrl-e
 * list next    = Ctrl-n        # in a list; 'take' is in front of a change, 'code' need not be said
 * history      =
 * </pre>
 *
 * @param map    the standard keys with those of the file
 * @param faults what could not be understood, and which keys clash, each a line that starts with file and line
 */
public record KeyFile(KeyMap map, List<String> faults) {

    /** Copies the list. */
    public KeyFile {
        faults = List.copyOf(faults);
    }

    /** What a line says. */
    private record Line(int number, KeyContext where, Action action, List<List<Key>> chords) {
    }

    /** What is known of an action: its place among the others does not matter. */
    private record Named(KeyContext where, String id) {
    }

    /**
     * Reads a file.
     *
     * @param name       of the file, for what is told
     * @param lines      of the file
     * @param defaults   what counts where the file says nothing
     * @param operations all there are
     */
    public static KeyFile read(String name, List<String> lines, KeyMap defaults, List<Action.Take> operations) {
        List<String> faults = new ArrayList<>();
        List<Line> said = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            String place = name + ":" + (i + 1) + ": ";
            String line = lines.get(i).replaceFirst("(^|\\s)#.*", "").strip();
            if (!line.isEmpty()) {
                line(i + 1, line, operations, place, faults).ifPresent(said::add);
            }
        }
        return new KeyFile(new KeyMap(joined(said, defaults, name, faults)), faults);
    }

    private static Optional<Line> line(int number, String line, List<Action.Take> operations, String place,
            List<String> faults) {
        int sign = line.indexOf('=');
        if (sign < 0) {
            faults.add(place + "'=' is missing; write what is to be done = keys");
            return Optional.empty();
        }
        List<String> words = List.of(line.substring(0, sign).strip().split("\\s+"));
        Optional<KeyContext> where = words.size() == 1 ? Optional.of(KeyContext.CODE) : where(words.get(0));
        String id = words.get(words.size() - 1);
        Optional<Action> action = Command.of(id).map(Action.class::cast)
                .or(() -> operations.stream().filter(operation -> operation.id().equals(id)).findFirst());
        if (where.isEmpty() || words.size() > 2) {
            faults.add(place + "'" + words.get(0) + "' is none of code, list, take");
        } else if (action.isEmpty()) {
            faults.add(place + "there is nothing called '" + id + "'; 'deft desk --keys' prints what there is");
        } else {
            List<List<Key>> chords = chords(line.substring(sign + 1), place, faults);
            return Optional.of(new Line(number, where.get(), action.get(), chords));
        }
        return Optional.empty();
    }

    private static Optional<KeyContext> where(String word) {
        for (KeyContext where : KeyContext.values()) {
            if (where.name().toLowerCase(Locale.ROOT).equals(word)) {
                return Optional.of(where);
            }
        }
        return Optional.empty();
    }

    private static List<List<Key>> chords(String text, String place, List<String> faults) {
        List<List<Key>> chords = new ArrayList<>();
        for (String chord : text.strip().split("\\s*,\\s*")) {
            if (!chord.isEmpty()) {
                Key.chord(chord).ifPresentOrElse(chords::add, () -> faults.add(place + "'" + chord
                        + "' is no key; write for instance Alt-r, Ctrl-Up or Alt-t v"));
            }
        }
        return chords;
    }

    private static List<KeyBinding> joined(List<Line> said, KeyMap defaults, String name, List<String> faults) {
        Set<Named> changed = new HashSet<>();
        List<KeyBinding> all = new ArrayList<>();
        Map<KeyBinding, Integer> lines = new HashMap<>();
        for (Line line : said) {
            changed.add(new Named(line.where(), line.action().id()));
            for (List<Key> chord : line.chords()) {
                KeyBinding binding = new KeyBinding(line.where(), chord, line.action());
                all.add(binding);
                lines.put(binding, line.number());
            }
        }
        defaults.bindings().stream()
                .filter(binding -> !changed.contains(new Named(binding.where(), binding.action().id())))
                .forEach(all::add);
        List<KeyBinding> kept = new ArrayList<>();
        for (KeyBinding binding : all) {
            Optional<KeyBinding> before = kept.stream().filter(other -> clash(other, binding)).findFirst();
            if (before.isPresent()) {
                // the later line is the one to look at; a standard key gives way
                int line = lines.getOrDefault(binding, lines.getOrDefault(before.get(), 0));
                faults.add(name + ":" + line + ": " + told(before.get(), binding));
            } else {
                kept.add(binding);
            }
        }
        return kept;
    }

    private static String told(KeyBinding counts, KeyBinding clashes) {
        String keys = counts.chord().equals(clashes.chord()) ? Key.shown(counts.chord()) + " is for"
                : Key.shown(counts.chord()) + " and " + Key.shown(clashes.chord()) + " clash:";
        return keys + " '" + counts.action().id() + "' and '" + clashes.action().id() + "'; the first of them counts";
    }

    /** Whether both cannot be pressed: the same keys, or the one would end where the other goes on. */
    private static boolean clash(KeyBinding one, KeyBinding other) {
        int common = Math.min(one.chord().size(), other.chord().size());
        return one.where() == other.where() && one.chord().subList(0, common).equals(other.chord().subList(0, common));
    }
}
