package dev.deftchisel.proving.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * Makes a list as small as it can be with something still holding of it: ever smaller pieces are left out as long as
 * that goes well (Zeller and Hildebrandt, Simplifying and Isolating Failure-Inducing Input, 2002; here by complements
 * only). In the end no single element can be left out.
 */
final class Smallest {

    private Smallest() {
    }

    /**
     * The smallest list found.
     *
     * @param all   of which it holds
     * @param holds asked many times, each time with fewer elements than it held of last
     */
    static <T> List<T> of(List<T> all, Predicate<List<T>> holds) {
        List<T> kept = new ArrayList<>(all);
        int piece = Math.max(1, kept.size() / 2);
        while (true) {
            boolean shrunk = false;
            for (int start = 0; start < kept.size(); ) {
                List<T> without = new ArrayList<>(kept.subList(0, start));
                without.addAll(kept.subList(Math.min(kept.size(), start + piece), kept.size()));
                if (holds.test(without)) {
                    kept = without;
                    shrunk = true;
                } else {
                    start += piece;
                }
            }
            if (piece == 1 && !shrunk) {
                return kept;
            }
            piece = Math.max(1, piece / 2);
        }
    }
}
