package dev.deftchisel.workspace.surroundings;

import dev.deftchisel.workspace.Workspace;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * The folder {@code .deft} in a workspace, in which is kept what outlives a run. Version control is told to leave it
 * alone.
 */
public final class StateFolder {

    private final Path path;

    /** @param workspace whose folder it is */
    public StateFolder(Workspace workspace) {
        this(workspace.root());
    }

    /** @param root of the workspace whose folder it is */
    public StateFolder(Path root) {
        this.path = root.resolve(".deft");
    }

    /** Where it is, whether it is there or not. */
    public Path path() {
        return path;
    }

    /**
     * Makes it where it is not there.
     *
     * @throws IOException when it cannot be written
     */
    public void make() throws IOException {
        if (!Files.isDirectory(path)) {
            Files.createDirectories(path);
            Files.writeString(path.resolve(".gitignore"), "*\n", StandardCharsets.UTF_8);
        }
    }
}
