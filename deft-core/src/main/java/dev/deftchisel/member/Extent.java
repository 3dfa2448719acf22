package dev.deftchisel.member;

import dev.deftchisel.analysis.Focus;
import dev.deftchisel.analysis.Subtypes;
import dev.deftchisel.source.TypeSketch;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How far members that come to a type can be noticed: by its own bodies, by whoever calls methods of these names (JLS
 * 15.12.2), and by its subtypes, which may not override what is final and must have what a new supertype asks for. A new
 * supertype can also be noticed wherever such an object is handed over, since other methods may take it then; looked at is
 * where the type or a subtype is named.
 *
 * @param target        the type
 * @param names         of members that were not to be found there before
 * @param isFinal       whether one of them may not be overridden
 * @param isOfMoreKinds whether the type gets a supertype
 */
public record Extent(Target target, Set<String> names, boolean isFinal, boolean isOfMoreKinds) {

    /** What every object has may be overridden without anybody finding another method. */
    private static final Set<String> OF_OBJECT = Set.of("equals", "hashCode", "toString");

    /**
     * The extent of some members.
     *
     * @param hasNewSupertype whether the type also gets a supertype
     */
    public static Extent of(Target target, List<NewMember> members, boolean hasNewSupertype) {
        boolean isFinal = members.stream().anyMatch(member -> member.lines().stream()
                .anyMatch(line -> line.contains("final ") && line.contains("(") && !line.startsWith(" ")));
        return new Extent(target, members.stream().map(NewMember::name).filter(name -> !OF_OBJECT.contains(name))
                .collect(Collectors.toSet()), isFinal, hasNewSupertype);
    }

    /** What is to be looked at. */
    public Focus focus(Snapshot snapshot) {
        SourceFile file = target.code().file();
        Map<SourceFile, List<TypeSketch>> below = !(isFinal || isOfMoreKinds) || target.name().isEmpty() ? Map.of()
                : new Subtypes(snapshot).of(Set.of(target.name()));
        Set<String> wanted = new HashSet<>(names);
        if (isOfMoreKinds) {
            below.values().forEach(types -> types.forEach(type -> wanted.add(type.name())));
        }
        Focus focus = new Focus(Set.of(file.path()), wanted, Set.of(),
                Map.of(file.path(), List.of(target.code().range(target.tree()))), true).andFiles(snapshot.pathsMentioning(wanted));
        return below.isEmpty() ? focus
                : focus.andFiles(below.keySet().stream().map(SourceFile::path).toList()).withTypes(Set.of(target.name()));
    }
}
