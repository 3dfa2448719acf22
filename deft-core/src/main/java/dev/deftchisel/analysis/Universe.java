package dev.deftchisel.analysis;

import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
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
 * <p>All modules of a workspace share one universe, which lets a search over many modules cost one analysis, unless two
 * of them have a file of the same package and name. Then each module gets a universe of its own with what it uses.
 *
 * @param owner   the module whose files are attributed in it; empty name when all are
 * @param modules those whose sources can be seen
 */
record Universe(String owner, List<Module> modules) {

    static List<Universe> of(Snapshot snapshot) {
        List<Module> all = snapshot.workspace().modules();
        if (all.size() == 1 || !hasTwins(snapshot.files())) {
            return List.of(new Universe("", all));
        }
        return all.stream()
                .map(module -> new Universe(module.name(), Stream.concat(
                        Stream.of(module),
                        all.stream().filter(other -> module.upstream().contains(other.name()))).toList()))
                .toList();
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
    boolean attributes(Module module) {
        return owner.isEmpty() || owner.equals(module.name());
    }

    boolean sees(Module module) {
        return modules.contains(module);
    }

    List<Path> classPath() {
        Set<Path> paths = new LinkedHashSet<>();
        modules.forEach(module -> paths.addAll(module.classPath()));
        return List.copyOf(paths);
    }

    /** The highest level asked for, within what the running JDK understands. */
    int level() {
        int highest = modules.stream().mapToInt(Module::level).max().orElseThrow();
        return Math.max(8, Math.min(highest, Runtime.version().feature()));
    }
}
