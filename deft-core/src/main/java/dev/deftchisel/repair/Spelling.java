package dev.deftchisel.repair;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/** How much two names are alike. */
public final class Spelling {

    private static final int LETTERS_PER_SLIP = 4;

    private Spelling() {
    }

    /** The names that may have been meant, the most alike first; none that needs too many slips. */
    public static List<String> near(String name, Collection<String> candidates) {
        int most = Math.max(1, name.length() / LETTERS_PER_SLIP);
        return candidates.stream()
                .filter(candidate -> !candidate.equals(name) && !candidate.isEmpty())
                .filter(candidate -> candidate.equalsIgnoreCase(name) || slips(name, candidate) <= most
                        && candidate.length() > 1)
                .distinct()
                .sorted(Comparator.comparingInt((String candidate) -> candidate.equalsIgnoreCase(name) ? 0
                        : slips(name, candidate))
                        .thenComparing(candidate -> candidate))
                .toList();
    }

    /**
     * How many letters are wrong, missing, too many, or turned with their neighbour (Damerau 1964, Levenshtein 1966).
     */
    public static int slips(String one, String other) {
        int[][] least = new int[one.length() + 1][other.length() + 1];
        for (int i = 0; i <= one.length(); i++) {
            for (int j = 0; j <= other.length(); j++) {
                if (i == 0 || j == 0) {
                    least[i][j] = i + j;
                    continue;
                }
                int change = one.charAt(i - 1) == other.charAt(j - 1) ? 0 : 1;
                least[i][j] = Math.min(Math.min(least[i - 1][j], least[i][j - 1]) + 1, least[i - 1][j - 1] + change);
                boolean isTurned = i > 1 && j > 1 && one.charAt(i - 1) == other.charAt(j - 2)
                        && one.charAt(i - 2) == other.charAt(j - 1);
                if (isTurned) {
                    least[i][j] = Math.min(least[i][j], least[i - 2][j - 2] + 1);
                }
            }
        }
        return least[one.length()][other.length()];
    }
}
