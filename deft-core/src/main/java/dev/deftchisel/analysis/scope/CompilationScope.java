package dev.deftchisel.analysis.scope;

import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Modules that are attributed together: one set of sources in which each type exists once, one class path.
 *
 * <p>The modules of a workspace that are written in the same Java and have the same versions of their libraries share
 * one scope, which lets a search over many modules cost one analysis, unless two of them have a file of the same
 * package and name. Then each module gets a scope of its own.
 *
 * @param owners  the modules whose files are attributed in it; at least one, all of them in the same Java
 * @param modules those whose sources can be seen: the owners with what they use
 */
public record CompilationScope(List<Module> owners, List<Module> modules) {

    public static List<CompilationScope> of(Snapshot snapshot) {
        List<Module> all = snapshot.workspace().modules();
        if (all.size() > 1 && hasTwins(snapshot.files())) {
            return all.stream().map(module -> of(List.of(module), all)).toList();
        }
        List<Group> groups = new ArrayList<>();
        for (Module module : all) {
            Map<String, Path> versions = module.dependencies().versions();
            Group group = groups.stream().filter(one -> one.takes(module, versions)).findFirst().orElseGet(() -> {
                Group added = new Group(module.java(), new ArrayList<>(), new HashMap<>());
                groups.add(added);
                return added;
            });
            group.modules().add(module);
            group.versions().putAll(versions);
        }
        return groups.size() == 1 ? List.of(new CompilationScope(all, all))
                : groups.stream().map(group -> of(group.modules(), all)).toList();
    }

    /** Modules that can be compiled together: in the same Java, with no library in two versions. */
    private record Group(JavaLevel java, List<Module> modules, Map<String, Path> versions) {

        boolean takes(Module module, Map<String, Path> needed) {
            return java.equals(module.java()) && needed.entrySet().stream().allMatch(library ->
                    versions.getOrDefault(library.getKey(), library.getValue()).equals(library.getValue()));
        }
    }

    private static CompilationScope of(List<Module> owners, List<Module> all) {
        return new CompilationScope(owners, Stream.concat(owners.stream(), all.stream()
                .filter(other -> !owners.contains(other))
                .filter(other -> owners.stream().anyMatch(owner -> owner.upstream().contains(other.name())))).toList());
    }

    private static boolean hasTwins(Collection<SourceFile> files) {
        Map<Path, String> owners = new HashMap<>();
        for (SourceFile file : files) {
            if (!file.isModuleInfo() && !file.isPackageInfo()) {
                String known = owners.putIfAbsent(file.root().folder().relativize(file.path()), file.module().name());
                if (known != null && !known.equals(file.module().name())) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Whether files of the module are attributed here, rather than only seen. */
    public boolean attributes(Module module) {
        return owners.contains(module);
    }

    public boolean sees(Module module) {
        return modules.contains(module);
    }

    public List<Path> classPath() {
        Set<Path> paths = new LinkedHashSet<>();
        modules.forEach(module -> paths.addAll(module.classPath()));
        return List.copyOf(paths);
    }

    /** The Java in which the code that is attributed is written. */
    public JavaLevel java() {
        return owners.get(0).java();
    }
}
