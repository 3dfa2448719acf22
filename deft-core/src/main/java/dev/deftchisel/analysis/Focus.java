package dev.deftchisel.analysis;

import java.nio.file.Path;
import java.util.Collection;
import java.util.Set;

/**
 * What an analysis has to look at.
 *
 * @param files  those to attribute; whatever else they refer to is read as declarations only
 * @param names  identifiers of interest: a body in which none of them stands is left out. Empty for everything
 * @param types  simple names of types: a body that declares a subtype of one of them is kept as well
 * @param isDeep whether definite assignment, reachability and exceptions are checked too (JLS 11, 14.22, 16); only
 *               sensible when no body is left out
 */
public record Focus(Set<Path> files, Set<String> names, Set<String> types, boolean isDeep) {

    /** Copies the sets. */
    public Focus {
        files = Set.copyOf(files);
        names = Set.copyOf(names);
        types = Set.copyOf(types);
    }

    /** Everything in these files. */
    public static Focus whole(Collection<Path> files) {
        return new Focus(Set.copyOf(files), Set.of(), Set.of(), false);
    }

    /** The bodies in these files that mention one of the names. */
    public static Focus on(Collection<Path> files, Set<String> names) {
        return new Focus(Set.copyOf(files), names, Set.of(), false);
    }

    /** The same, also for bodies that declare subtypes of these. */
    public Focus withTypes(Set<String> simpleNames) {
        return new Focus(files, names, simpleNames, isDeep);
    }
}
