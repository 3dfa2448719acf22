package dev.deftchisel;

import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.analysis.compiler.AnnotationProcessing;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import dev.deftchisel.workspace.surroundings.StateFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.function.UnaryOperator;

/** Sees to it that what annotation processors make is that of the code as it is, where they are run. */
final class ProcessorRefresh {

    private final Workspace workspace;
    private final AnnotationProcessing processing;
    private final List<SourceRoot> roots;

    ProcessorRefresh(Workspace workspace, AnnotationProcessing processing) {
        this.workspace = workspace;
        this.processing = processing;
        this.roots = workspace.processedRoots();
        try {
            for (SourceRoot root : roots) {
                new StateFolder(workspace).make();
                Files.createDirectories(root.folder());
            }
        } catch (IOException failed) {
            throw new WorkspaceException("a folder for what annotation processors make cannot be made: "
                    + failed.getMessage(), failed);
        }
    }

    /**
     * The code with what is made of it.
     *
     * @throws WorkspaceException when a processor breaks down
     */
    Snapshot of(Snapshot snapshot) {
        return remade(snapshot, processing::remade);
    }

    /** The same for code that is being typed. */
    Snapshot typed(Snapshot snapshot) {
        return remade(snapshot, processing::remadeWhileTyped);
    }

    private Snapshot remade(Snapshot snapshot, UnaryOperator<Snapshot> run) {
        try {
            return roots.isEmpty() ? snapshot : run.apply(snapshot);
        } catch (AnalysisException broken) {
            throw new WorkspaceException(broken.getMessage() + "; without --run-processors it is not run", broken);
        }
    }

    /** The same, which is also kept on disk for whoever wants to look at it. */
    Snapshot kept(Snapshot read) {
        Snapshot remade = of(read);
        if (remade != read) {
            try {
                for (SourceFile file : remade.files()) {
                    if (file.root().isProcessed() && read.file(file.path())
                            .filter(known -> known.content().equals(file.content())).isEmpty()) {
                        Files.createDirectories(file.path().getParent());
                        Files.writeString(file.path(), file.content());
                    }
                }
                for (SourceFile file : read.files()) {
                    if (file.root().isProcessed() && remade.file(file.path()).isEmpty()) {
                        Files.deleteIfExists(file.path());
                    }
                }
            } catch (IOException failed) {
                throw new WorkspaceException("what annotation processors make cannot be kept in "
                        + workspace.show(roots.get(0).folder()) + ": " + failed.getMessage(), failed);
            }
        }
        return remade;
    }
}
