package dev.deftchisel.rule.style;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;

/**
 * How imports are grouped. Written as a list: the beginning of a package's name, {@code *} for all that no other group
 * takes, {@code static} for static imports. Between groups is a blank line; in a group the order is that of the names.
 *
 * @param groups in order
 */
record ImportGroups(List<String> groups) {

    private static final String OTHERS = "*";
    private static final String STATIC = "static";

    /** Reads what is written, for instance {@code java, javax, *, static}; what is not mentioned comes last. */
    static ImportGroups of(String written) {
        List<String> groups = new ArrayList<>(Arrays.stream(written.split(",")).map(String::strip)
                .filter(group -> !group.isEmpty()).toList());
        for (String needed : List.of(OTHERS, STATIC)) {
            if (!groups.contains(needed)) {
                groups.add(needed);
            }
        }
        return new ImportGroups(List.copyOf(groups));
    }

    /** The imports, group by group; groups without any are left out. */
    List<List<ImportLine>> arrange(List<ImportLine> lines) {
        TreeMap<Integer, List<ImportLine>> byGroup = new TreeMap<>();
        lines.forEach(line -> byGroup.computeIfAbsent(group(line), key -> new ArrayList<>()).add(line));
        byGroup.values().forEach(group -> group.sort(Comparator.comparing(ImportLine::name)));
        return List.copyOf(byGroup.values());
    }

    /** The longest beginning of a package's name decides. */
    private int group(ImportLine line) {
        if (line.isStatic()) {
            return groups.indexOf(STATIC);
        }
        return groups.stream()
                .filter(group -> line.name().equals(group) || line.name()
                        .startsWith(group.endsWith(".") ? group : group + "."))
                .max(Comparator.comparingInt(String::length))
                .map(groups::indexOf)
                .orElse(groups.indexOf(OTHERS));
    }
}
