package dev.deftchisel.examples;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** The harbour office, for examples that change it: they work on a copy. */
public final class DemoWorkspace {

    private static final List<String> PARTS = List.of("pom.xml", "src");

    private final Path original;

    /** @param original the folder of the harbour office */
    public DemoWorkspace(Path original) {
        this.original = original;
    }

    /** The one of this repository, seen from the folder of a module beside {@code deft-examples}. */
    public static DemoWorkspace beside() {
        return new DemoWorkspace(Path.of("..", "deft-examples", "harbour"));
    }

    /**
     * Copies build file and sources.
     *
     * @param folder where to; there must be no such files in it
     * @return that folder
     */
    public Path copyTo(Path folder) throws IOException {
        for (String part : PARTS) {
            try (Stream<Path> files = Files.walk(original.resolve(part))) {
                for (Path file : files.filter(Files::isRegularFile).toList()) {
                    Path target = folder.resolve(original.relativize(file));
                    Files.createDirectories(target.getParent());
                    Files.copy(file, target);
                }
            }
        }
        return folder;
    }
}
