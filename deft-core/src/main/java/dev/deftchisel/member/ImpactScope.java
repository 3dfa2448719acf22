package dev.deftchisel.member;

import dev.deftchisel.analysis.Subtypes;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.source.Words;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;

/**
 * How far members that come to a type can be noticed: by its own bodies, by whoever calls methods of these names (JLS
 * 15.12.2), and by its subtypes, which may not override what is final and must have what a new supertype asks for. A
 * new supertype can also be noticed wherever such an object is passed, since other methods may take it then;
 * looked at is where the type or a subtype is named.
 *
 * @param target        the type
 * @param names         of members that were not to be found there before
 * @param isFinal       whether one of them may not be overridden
 * @param isOfMoreKinds whether the type gets a supertype
 */
public record ImpactScope(TargetClass target, Set<String> names, boolean isFinal, boolean isOfMoreKinds) {

    /** What every object has may be overridden without anybody finding another method. */
    private static final Set<String> OF_OBJECT = Set.of("equals", "hashCode", "toString");

    /**
     * The extent of some members.
     *
     * @param hasNewSupertype whether the type also gets a supertype
     */
    public static ImpactScope of(TargetClass target, List<NewMember> members, boolean hasNewSupertype) {
        boolean isFinal = members.stream().anyMatch(NewMember::isFinal);
        return new ImpactScope(target, members.stream().map(NewMember::name).filter(name -> !OF_OBJECT.contains(name))
                .collect(Collectors.toSet()), isFinal, hasNewSupertype);
    }

    /** What is to be looked at. */
    public Focus focus(Snapshot snapshot) {
        SourceFile file = target.code().file();
        Map<SourceFile, List<TypeOutline>> below = target.name().isEmpty() ? Map.of() : new Subtypes(snapshot)
                .of(Set.of(target.name()));
        Set<String> kinds = new HashSet<>();
        if (isOfMoreKinds) {
            below.values().forEach(types -> types.forEach(type -> kinds.add(type.name())));
        }
        Set<String> wanted = new HashSet<>(names);
        wanted.addAll(kinds);
        Set<String> everywhere = new HashSet<>(wanted);
        everywhere.removeIf(name -> !kinds.contains(name) && !isContested(name, below.keySet()));
        Set<Path> naming = target.name().isEmpty() ? Set.of() : snapshot.pathsMentioning(Set.of(target.name()));
        Focus focus = new Focus(Set.of(file.path()), wanted, Set.of(),
                Map.of(file.path(), List.of(target.code().range(target.tree()))), true)
                .andFiles(snapshot.pathsMentioning(everywhere))
                // members can also be imported by the name of the type
                .andFiles(snapshot.pathsMentioning(names).stream().filter(naming::contains).toList());
        return below.isEmpty() ? focus
                : focus.andFiles(below.keySet().stream().map(SourceFile::path).toList())
                .withTypes(Set.of(target.name()));
    }

    /**
     * Whether calls by a name are there that may find a new method: only where the type has such a member already, or
     * is in one that has, or a subtype may have one. Of a type that has none there can be no such call (JLS 15.12.1).
     */
    private boolean isContested(String name, Set<SourceFile> below) {
        for (Element around = target.type(); around != null; around = around.getEnclosingElement()) {
            boolean isThere = around instanceof TypeElement type && target.code().elements().getAllMembers(type)
                    .stream()
                    .anyMatch(member -> member.getSimpleName().contentEquals(name));
            if (isThere) {
                return true;
            }
        }
        return below.stream().filter(file -> file != target.code().file())
                .anyMatch(file -> Words.contains(file.content(), name));
    }
}
