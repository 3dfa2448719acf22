package dev.deftchisel.workspace;

import java.nio.charset.Charset;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * One unit of a build: what is compiled together with one class path. Main and test code are one module.
 *
 * @param name      unique in the workspace
 * @param folder    where its build file stands; absolute, normalised
 * @param roots     in the order of the build
 * @param dependencies what it needs from outside the workspace
 * @param uses      the modules of this workspace that it uses, direct or not
 * @param java      the Java it is written in
 * @param encoding  the charset of its sources
 */
public record Module(
        String name,
        Path folder,
        List<SourceRoot> roots,
        Dependencies dependencies,
        List<ModuleUse> uses,
        JavaLevel java,
        Charset encoding) {

    /** Copies the lists. */
    public Module {
        roots = List.copyOf(roots);
        uses = List.copyOf(uses);
    }

    /** The same with other roots. */
    public Module with(List<SourceRoot> others) {
        return new Module(name, folder, others, dependencies, uses, java, encoding);
    }

    /** The names of the modules that it uses. */
    public List<String> upstream() {
        return uses.stream().map(ModuleUse::name).toList();
    }

    /** How it uses another module, if it does. */
    public Optional<ModuleUse> useOf(Module other) {
        return uses.stream().filter(use -> use.name().equals(other.name())).findFirst();
    }

    /** The archives and folders of the libraries. */
    public List<Path> classPath() {
        return dependencies.libraries().stream().map(Library::file).toList();
    }

    /** The language level, for instance 17. */
    public int level() {
        return java.level();
    }
}
