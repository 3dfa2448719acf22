package dev.deftchisel.workspace;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What a module needs from outside the workspace, for main and test code together.
 *
 * @param libraries  what its code is compiled with, in the order of the build
 * @param processors the annotation processors that its build runs, with what they need themselves
 * @param missing    coordinates of what is not on this machine
 */
public record Dependencies(List<Library> libraries, List<Library> processors, List<String> missing) {

    /** Nothing. */
    public static final Dependencies NONE = new Dependencies(List.of(), List.of(), List.of());

    /** Copies the lists. */
    public Dependencies {
        libraries = List.copyOf(libraries);
        processors = List.copyOf(processors);
        missing = List.copyOf(missing);
    }

    /** The files of the libraries whose coordinates are known, by these without the version. */
    public Map<String, Path> versions() {
        Map<String, Path> versions = new HashMap<>();
        libraries.forEach(library -> library.artifact()
                .ifPresent(artifact -> versions.putIfAbsent(artifact, library.file())));
        return versions;
    }

    /** Files that the user named. */
    public static Dependencies named(List<Path> files) {
        return new Dependencies(files.stream().map(file -> new Library(file, "named by the user")).toList(), List.of(),
                List.of());
    }
}
