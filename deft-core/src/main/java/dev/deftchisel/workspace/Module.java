package dev.deftchisel.workspace;

import java.nio.charset.Charset;
import java.nio.file.Path;
import java.util.List;

/**
 * One unit of a build: what is compiled together with one class path. Main and test code are one module.
 *
 * @param name      unique in the workspace
 * @param folder    where its build file stands; absolute, normalised
 * @param roots     in the order of the build
 * @param dependencies what it needs from outside the workspace
 * @param upstream  names of the modules of this workspace that it uses, direct or not
 * @param forTests  those of them that only its tests use
 * @param java      the Java it is written in
 * @param encoding  the charset of its sources
 */
public record Module(
        String name,
        Path folder,
        List<SourceRoot> roots,
        Dependencies dependencies,
        List<String> upstream,
        List<String> forTests,
        JavaLevel java,
        Charset encoding) {

    /** Copies the lists. */
    public Module {
        roots = List.copyOf(roots);
        upstream = List.copyOf(upstream);
        forTests = List.copyOf(forTests);
    }

    /** One in which tests use no other modules than all code does. */
    public Module(String name, Path folder, List<SourceRoot> roots, Dependencies dependencies, List<String> upstream, JavaLevel java,
            Charset encoding) {
        this(name, folder, roots, dependencies, upstream, List.of(), java, encoding);
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
