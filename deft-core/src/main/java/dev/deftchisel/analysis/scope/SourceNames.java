package dev.deftchisel.analysis.scope;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What the sources of a scope declare, as distinct from what comes from libraries.
 *
 * @param topLevelTypes binary names, with the files that declare them
 * @param packages      of the files, and every package above one
 */
public record SourceNames(Map<String, List<SourceFile>> topLevelTypes, Set<String> packages) {

    public static SourceNames of(Snapshot snapshot, CompilationScope scope) {
        Map<String, List<SourceFile>> types = new HashMap<>();
        Set<String> packages = new HashSet<>();
        for (SourceFile file : snapshot.files()) {
            if (scope.sees(file.module())) {
                file.header().types().forEach(type -> types.computeIfAbsent(file.header().qualifiedName(type),
                        name -> new ArrayList<>(1)).add(file));
                String name = file.header().packageName();
                while (!name.isEmpty() && packages.add(name)) {
                    name = name.substring(0, Math.max(0, name.lastIndexOf('.')));
                }
            }
        }
        return new SourceNames(types, packages);
    }

    public boolean hasType(SymbolKey.Type type) {
        return topLevelTypes.containsKey(type.topLevel());
    }

    public boolean hasPackage(SymbolKey.Package home) {
        return packages.contains(home.name());
    }
}
