package dev.deftchisel;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** A plain workspace in a temporary folder, made file by file. */
public final class SampleWorkspace {

    private final Path root;

    /** @param root an empty folder */
    public SampleWorkspace(Path root) throws IOException {
        this.root = root.toRealPath();
    }

    /** Writes a file and returns where it is. */
    public Path write(String path, String content) throws IOException {
        Path file = root.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content);
        return file;
    }

    public Path root() {
        return root;
    }

    public OpenRequest request() {
        return OpenRequest.plain(root, List.of(root), List.of());
    }

    public Snapshot snapshot() {
        return Snapshot.read(new Workspaces(List.of()).open(request()));
    }

    public Analyst analyst() {
        return new Analyst(snapshot(), new Libraries(), Monitor.SILENT);
    }
}
