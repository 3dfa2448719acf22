package dev.deftchisel.desk.panel;

import dev.deftchisel.navigation.InitialsMatcher;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/** Where the rows of a list come from. */
@FunctionalInterface
public interface ItemSource<T> {

    /**
     * Looks for rows.
     *
     * @param typed so far
     * @param part  which part of the list is wanted, from 0 on
     * @param found takes them, best first; at once or later
     */
    void find(String typed, int part, Consumer<List<Item<T>>> found);

    /** Rows that are known, of which those stay that go with what is typed. */
    static <T> ItemSource<T> of(List<Item<T>> items) {
        return (typed, part, found) -> found.accept(narrowed(items, typed));
    }

    /**
     * The rows in whose label every typed word is found, or that begin so; in the order they had, whole words first.
     */
    static <T> List<Item<T>> narrowed(List<Item<T>> items, String typed) {
        if (typed.isBlank()) {
            return items;
        }
        record Ranked<T>(Item<T> item, int match) {
        }
        List<Ranked<T>> ranked = new ArrayList<>();
        for (Item<T> item : items) {
            int match = match(item.label(), typed.strip());
            if (match > InitialsMatcher.NONE) {
                ranked.add(new Ranked<>(item, match));
            }
        }
        ranked.sort(Comparator.comparing(one -> -one.match()));
        return ranked.stream().map(Ranked::item).toList();
    }

    private static int match(String label, String typed) {
        int least = Integer.MAX_VALUE;
        for (String word : typed.split("\\s+")) {
            InitialsMatcher initials = new InitialsMatcher(word);
            int best = label.toLowerCase(Locale.ROOT).contains(word.toLowerCase(Locale.ROOT)) ? 1
                    : InitialsMatcher.NONE;
            for (String part : label.split("[^\\p{L}\\p{N}_$]+")) {
                best = Math.max(best, initials.match(part));
            }
            least = Math.min(least, best);
        }
        return least;
    }
}
