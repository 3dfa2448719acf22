package dev.deftchisel.proving.corpus;

import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/**
 * Code to work on.
 *
 * @param name    how it is called in reports and commands
 * @param request opens it; its folder is never written to
 */
public record Corpus(String name, OpenRequest request) {

    /**
     * A copy that may be written to.
     *
     * @param folder a new or empty one
     */
    public Corpus copyTo(Path folder) throws IOException {
        Path origin = request.folder();
        try (Stream<Path> paths = Files.walk(origin)) {
            for (Path path : paths.filter(path -> !path.startsWith(origin.resolve(".deft"))).toList()) {
                Path target = folder.resolve(origin.relativize(path).toString());
                if (Files.isDirectory(path)) {
                    Files.createDirectories(target);
                } else {
                    Files.copy(path, target);
                }
            }
        }
        List<Path> sources = request.sources().stream()
                .map(source -> source.startsWith(origin) ? folder.resolve(origin.relativize(source).toString())
                        : source)
                .toList();
        return new Corpus(name, new OpenRequest(folder, true, sources, request.classPath(), request.level(),
                request.encoding(), request.permissions()));
    }
}
