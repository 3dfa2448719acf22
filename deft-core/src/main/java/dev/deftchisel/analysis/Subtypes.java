package dev.deftchisel.analysis;

import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The types that may be subtypes of some given ones, by the names in their headers: more than the true subtypes, since
 * different types can share a simple name, never fewer.
 */
public final class Subtypes {

    private final Snapshot snapshot;

    /** @param snapshot whose types are searched */
    public Subtypes(Snapshot snapshot) {
        this.snapshot = snapshot;
    }

    /**
     * All types whose headers lead to one of the names, by file; the given types themselves are among them.
     *
     * @param simpleNames where to start
     */
    public Map<SourceFile, List<TypeOutline>> of(Set<String> simpleNames) {
        Set<String> names = new HashSet<>(simpleNames);
        Set<SourceFile> opened = new HashSet<>();
        Set<String> latest = simpleNames;
        while (!latest.isEmpty()) {
            opened.addAll(naming(latest));
            opened.parallelStream().forEach(SourceFile::outline);
            Set<String> more = new HashSet<>();
            for (SourceFile file : opened) {
                for (TypeOutline type : file.outline().types()) {
                    if (!names.contains(type.name()) && type.supers().stream().anyMatch(names::contains)) {
                        more.add(type.name());
                    }
                }
            }
            names.addAll(more);
            latest = more;
        }
        Map<SourceFile, List<TypeOutline>> found = new LinkedHashMap<>();
        for (SourceFile file : snapshot.files()) {
            List<TypeOutline> types = !opened.contains(file) ? List.of() : file.outline().types().stream()
                    .filter(type -> names.contains(type.name()))
                    .toList();
            if (!types.isEmpty()) {
                found.put(file, types);
            }
        }
        return found;
    }

    /** The files that may declare one of the types, or one directly below them. */
    private List<SourceFile> naming(Set<String> names) {
        return snapshot.files().parallelStream()
                .filter(file -> !Collections.disjoint(file.header().headerNames(), names))
                .toList();
    }
}
