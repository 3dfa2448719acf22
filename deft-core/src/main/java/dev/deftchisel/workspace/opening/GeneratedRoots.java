package dev.deftchisel.workspace.opening;

import dev.deftchisel.source.outline.FileHeader;
import dev.deftchisel.workspace.SourceRoot;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Finds the source folders that generators left below the folder where a build lets them write. How deep they are is
 * each generator's own habit, so it is read off the files: their package says where they are below the root (JLS
 * 7.2.1).
 */
public final class GeneratedRoots {

    private GeneratedRoots() {
    }

    /** The roots below a folder, in order; none where the folder is not there or cannot be listed. */
    public static List<SourceRoot> in(Path folder, SourceRoot.Use use) {
        Set<Path> roots = new LinkedHashSet<>();
        if (Files.isDirectory(folder)) {
            try (Stream<Path> files = Files.walk(folder)) {
                for (Path file : files.filter(path -> path.toString().endsWith(".java")).sorted().toList()) {
                    if (roots.stream().noneMatch(file::startsWith)) {
                        root(file, folder).ifPresent(roots::add);
                    }
                }
            } catch (IOException unreadable) {
                return List.of();
            }
        }
        return roots.stream().map(root -> new SourceRoot(root, use, SourceRoot.Kind.GENERATED)).toList();
    }

    /**
     * The roots where Gradle has generators write, in the folder of a project; those for tests by the name of a source
     * set in their path.
     */
    public static List<SourceRoot> ofGradle(Path project) {
        return in(project.resolve("build").resolve("generated"), SourceRoot.Use.MAIN).stream()
                .map(root -> root.folder().toString().matches(".*[/\\\\](test|\\w+Test|testFixtures)([/\\\\].*)?")
                        ? new SourceRoot(root.folder(), SourceRoot.Use.TEST, root.kind()) : root).toList();
    }

    private static Optional<Path> root(Path file, Path top) throws IOException {
        String text = new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1);
        String home = FileHeader.of(text).packageName();
        Path root = file.getParent();
        if (!home.isEmpty()) {
            Path below = Path.of("", home.split("\\."));
            if (!root.endsWith(below)) {
                return Optional.empty();
            }
            for (int i = 0; i < below.getNameCount(); i++) {
                root = root.getParent();
            }
        }
        return Optional.of(root).filter(found -> found.startsWith(top));
    }
}
