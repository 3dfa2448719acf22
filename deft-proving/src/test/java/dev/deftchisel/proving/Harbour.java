package dev.deftchisel.proving;

import dev.deftchisel.examples.DemoWorkspace;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Small workspaces for tests. */
public final class Harbour {

    private Harbour() {
    }

    /** The sources of the harbour office as they lie in the repository; not to be written to. */
    public static Corpus office() {
        Path sources = Path.of("..", "deft-examples", "harbour", "src", "main", "java").toAbsolutePath().normalize();
        return new Corpus("harbour", OpenRequest.plain(sources, List.of(sources), List.of()));
    }

    /** A copy of the whole harbour office in a folder; to be written to. */
    public static Corpus copy(Path folder) throws IOException {
        return new Corpus("harbour", OpenRequest.at(DemoWorkspace.beside().copyTo(folder.toRealPath())));
    }

    /** A folder with one file. */
    public static Corpus of(Path folder, String name, String source) throws IOException {
        Path root = folder.toRealPath();
        Files.writeString(root.resolve(name), source);
        return new Corpus("quay", OpenRequest.plain(root, List.of(root), List.of()));
    }
}
