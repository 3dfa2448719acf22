package dev.deftchisel.proving;

import dev.deftchisel.workspace.OpenRequest;
import java.io.File;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Option;

/** Which code to work on. */
final class CorpusOptions {

    @Option(names = "--workspace", required = true, description = "the folder of the workspace; use a copy")
    private Path workspace;

    @Option(names = "--source", description = "a source folder; several may be given")
    private List<Path> sources = List.of();

    @Option(names = "--class-path", description = "class files it needs")
    private String classPath = "";

    OpenRequest request() {
        List<Path> paths = Arrays.stream(classPath.split(File.pathSeparator))
                .filter(path -> !path.isEmpty())
                .map(Path::of)
                .toList();
        return new OpenRequest(workspace, true, sources, paths, Optional.empty(), Optional.empty(), false);
    }
}
