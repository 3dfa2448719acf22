package dev.deftchisel.analysis.compiler;

import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What an analysis has to look at.
 *
 * @param files  those to attribute; whatever else they refer to is read as declarations only
 * @param names  identifiers of interest: a body in which none of them stands is left out. Empty for everything
 * @param types  simple names of types: a body that declares a subtype of one of them is kept as well
 * @param around by file, stretches of code: the bodies around them are kept as well
 * @param isDeep whether definite assignment, reachability and exceptions are checked too (JLS 11, 14.22, 16)
 */
public record Focus(
        Set<Path> files, Set<String> names, Set<String> types, Map<Path, List<Range>> around, boolean isDeep) {

    /** Copies the sets. */
    public Focus {
        files = Set.copyOf(files);
        names = Set.copyOf(names);
        types = Set.copyOf(types);
        around = around.entrySet().stream()
                .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, entry -> List.copyOf(entry.getValue())));
    }

    /** Everything in these files. */
    public static Focus whole(Collection<Path> files) {
        return new Focus(Set.copyOf(files), Set.of(), Set.of(), Map.of(), false);
    }

    /** The bodies in these files that mention one of the names. */
    public static Focus on(Collection<Path> files, Set<String> names) {
        return new Focus(Set.copyOf(files), names, Set.of(), Map.of(), false);
    }

    /** The body around a stretch of code, and what stands in the file outside of bodies. */
    public static Focus around(Path file, Range code) {
        return new Focus(Set.of(file), Set.of(), Set.of(), Map.of(file, List.of(code)), false);
    }

    /** What these files declare, and the bodies around some stretches of them. */
    public static Focus around(Map<Path, List<Range>> code) {
        return new Focus(code.keySet(), Set.of(), Set.of(), code, false);
    }

    /** What these files declare, without any body. */
    public static Focus declarations(Collection<Path> files) {
        return around(files.stream().distinct().collect(Collectors.toMap(file -> file, file -> List.<Range>of())));
    }

    /** The same, checked deeply. */
    public Focus deeply() {
        return new Focus(files, names, types, around, true);
    }

    /** The same, also for bodies that declare subtypes of these. */
    public Focus withTypes(Set<String> simpleNames) {
        return new Focus(files, names, simpleNames, around, isDeep);
    }

    /** The same in more files. */
    public Focus andFiles(Collection<Path> more) {
        Set<Path> all = new HashSet<>(files);
        all.addAll(more);
        return new Focus(all, names, types, around, isDeep);
    }

    /** The same, also for bodies in which one of these stands; nothing is added to a focus on everything. */
    public Focus andNames(Collection<String> more) {
        Set<String> all = new HashSet<>(names);
        all.addAll(more);
        return isPartial() ? new Focus(files, all, types, around, isDeep) : this;
    }

    /** Whether bodies are left out. */
    public boolean isPartial() {
        return !names.isEmpty() || !around.isEmpty();
    }
}
