package dev.deftchisel.repair.member;

import java.util.List;
import java.util.Set;

/**
 * Verbs at the beginning of names that mean the same in one library and the other: {@code addDays}, {@code plusDays}.
 */
final class MethodVerbs {

    private static final List<Set<String>> ALIKE = List.of(Set.of("add", "plus", "increase"),
            Set.of("subtract", "minus", "sub", "remove"),
            Set.of("get", "find", "lookup", "fetch", "read"), Set.of("create", "make", "new", "build"),
            Set.of("is", "has"), Set.of("to", "as"),
            Set.of("remove", "delete"), Set.of("set", "with"));

    private MethodVerbs() {
    }

    /** Whether two names differ in such a verb only. */
    static boolean areAlike(String one, String other) {
        String verb = verb(one);
        String rest = one.substring(verb.length());
        return !rest.isEmpty() && other.endsWith(rest) && !verb.equals(verb(other))
                && ALIKE.stream().anyMatch(all -> all.contains(verb)
                        && all.contains(other.substring(0, other.length() - rest.length())));
    }

    private static String verb(String name) {
        return name.replaceFirst("[A-Z].*", "");
    }
}
