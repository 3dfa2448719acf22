package dev.deftchisel.navigation;

import java.util.Locale;

/**
 * How well a name goes with what somebody typed of it: all of it, its beginning, the beginnings of its words
 * ({@code beP} or {@code BP} for {@code BerthPlan}), or some part of it.
 */
public final class InitialsMatcher {

    /** It does not go with it at all. */
    public static final int NONE = -1;

    private static final int PART = 1;
    private static final int WORDS = 2;
    private static final int START = 3;
    private static final int SAME = 4;

    private final String typed;
    private final String lower;

    /** @param typed part of a name */
    public InitialsMatcher(String typed) {
        this.typed = typed;
        this.lower = typed.toLowerCase(Locale.ROOT);
    }

    /** How well a name goes with it, the better the more; {@link #NONE} when it does not. */
    public int match(String name) {
        String all = name.toLowerCase(Locale.ROOT);
        if (all.equals(lower)) {
            return SAME;
        } else if (all.startsWith(lower)) {
            return START;
        } else if (!typed.isEmpty() && words(name, 0, 0)) {
            return WORDS;
        }
        return all.contains(lower) ? PART : NONE;
    }

    /** Whether the rest of what was typed is made of beginnings of the words that are left, in order. */
    private boolean words(String name, int at, int taken) {
        if (taken == lower.length()) {
            return true;
        }
        for (int start = at; start < name.length(); start++) {
            if (isStart(name, start)) {
                int more = 0;
                while (taken + more < lower.length() && start + more < name.length()
                        && Character.toLowerCase(name.charAt(start + more)) == lower.charAt(taken + more)) {
                    more++;
                    if (words(name, start + more, taken + more)) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    /** Whether a word of the name starts here: at a capital letter, or after an underscore. */
    private static boolean isStart(String name, int index) {
        return index == 0 || Character.isUpperCase(name.charAt(index)) && !Character.isUpperCase(name.charAt(index - 1))
                || Character.isUpperCase(name.charAt(index)) && index + 1 < name.length()
                && Character.isLowerCase(name.charAt(index + 1))
                || name.charAt(index - 1) == '_' || Character.isDigit(name.charAt(index))
                && !Character.isDigit(name.charAt(index - 1));
    }
}
