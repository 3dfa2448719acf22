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
 * @param classPath class files of the libraries it uses: archives and folders, for main and test code together
 * @param upstream  names of the modules of this workspace that it uses, direct or not
 * @param level     the Java language level its build asks for, for instance 17
 * @param encoding  the charset of its sources
 */
public record Module(
        String name,
        Path folder,
        List<SourceRoot> roots,
        List<Path> classPath,
        List<String> upstream,
        int level,
        Charset encoding) {

    /** Copies the lists. */
    public Module {
        roots = List.copyOf(roots);
        classPath = List.copyOf(classPath);
        upstream = List.copyOf(upstream);
    }
}
