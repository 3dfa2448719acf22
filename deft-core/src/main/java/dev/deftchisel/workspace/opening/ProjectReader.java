package dev.deftchisel.workspace.opening;

import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import java.nio.file.Path;

/**
 * Reads one kind of project. Found by {@link java.util.ServiceLoader}; the first by {@link #rank()} that recognises a
 * folder reads it.
 */
public interface ProjectReader {

    /** Readers are asked in ascending order; a reader of build files comes before one that goes by folders alone. */
    int rank();

    /** Whether the folder is the root of a project of this kind; cheap, and never fails. */
    boolean recognises(Path folder);

    /**
     * The root of the build that a recognised folder is part of, which may be further up.
     *
     * @param folder one that is recognised
     */
    default Path rootOf(Path folder) {
        return folder;
    }

    /**
     * Reads the project without running any of it.
     *
     * @param folder  one that is recognised
     * @param request what the user said
     * @throws WorkspaceException when the build file cannot be read; missing libraries are gaps, not failures
     */
    Workspace read(Path folder, OpenRequest request);
}
