package dev.deftchisel.workspace.opening;

import dev.deftchisel.jdk.JdkFinder;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.UnfitJavaException;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.stream.Stream;

/** Opens workspaces: goes from a folder upwards to the outermost project, and lets the reader for its kind read it. */
public final class Workspaces {

    private final List<ProjectReader> readers;

    /** @param readers in any order */
    public Workspaces(List<ProjectReader> readers) {
        this.readers = readers.stream().sorted(Comparator.comparingInt(ProjectReader::rank)).toList();
    }

    /** With the readers on the class path. */
    public static Workspaces installed() {
        return new Workspaces(ServiceLoader.load(ProjectReader.class, Workspaces.class.getClassLoader()).stream()
                .map(ServiceLoader.Provider::get)
                .toList());
    }

    /**
     * Opens the workspace a request speaks of.
     *
     * @throws UnfitJavaException when the running Java cannot read its language
     * @throws WorkspaceException when there is none, or its build file cannot be read
     */
    public Workspace open(OpenRequest request) {
        Workspace workspace = read(request);
        workspace.modules().stream()
                .filter(module -> !module.java().isReadBy(Runtime.version().feature()))
                .max(Comparator.comparingInt(Module::level))
                .ifPresent(module -> {
                    throw new UnfitJavaException(workspace.root(), module, JdkFinder.ofThisMachine().all());
                });
        return workspace;
    }

    /**
     * The same for one that need not be analysed, in whatever Java it is written.
     *
     * @throws WorkspaceException when there is none, or its build file cannot be read
     */
    public Workspace read(OpenRequest request) {
        if (!Files.isDirectory(request.folder())) {
            throw new WorkspaceException(request.folder() + ": no such folder");
        }
        Workspace workspace = request.sources().isEmpty() ? project(request) : plain(request);
        if (workspace.modules().stream().allMatch(module -> module.roots().stream().noneMatch(SourceRoot::isJava))) {
            throw new WorkspaceException(workspace.root() + ": no source folder here"
                    + workspace.gaps().stream().findFirst().map(gap -> " (" + gap + ")").orElse("")
                    + "; name one with --source, or run deft inside a project");
        }
        return workspace;
    }

    private Workspace project(OpenRequest request) {
        Path folder = request.isExact() ? request.folder() : outermost(request.folder());
        return reader(folder)
                .orElseThrow(() -> new WorkspaceException(request.folder() + ": no project found"
                        + (request.isExact() ? "" : " in this folder or above it")
                        + "; name the source folders with --source"))
                .read(folder, request);
    }

    /**
     * The nearest folder upwards that some reader recognises, and from there on further up as long as the folder above
     * is one too: a module of a build opens with the whole build.
     */
    private Path outermost(Path start) {
        Optional<Path> nearest = Stream.<Path>iterate(start, path -> path != null, Path::getParent)
                .filter(this::isProject)
                .findFirst();
        Path found = nearest.map(folder -> reader(folder).map(reader -> reader.rootOf(folder)).orElse(folder))
                .orElse(start);
        while (nearest.isPresent() && found.getParent() != null && isProject(found.getParent())) {
            found = found.getParent();
        }
        return found;
    }

    private boolean isProject(Path folder) {
        return reader(folder).isPresent();
    }

    private Optional<ProjectReader> reader(Path folder) {
        return readers.stream().filter(reader -> reader.recognises(folder)).findFirst();
    }

    private static Workspace plain(OpenRequest request) {
        for (Path source : request.sources()) {
            if (!Files.isDirectory(source)) {
                throw new WorkspaceException(source + ": no such source folder");
            }
        }
        List<SourceRoot> roots = request.sources().stream()
                .flatMap(source -> Stream.of(SourceRoot.Kind.SOURCE, SourceRoot.Kind.RESOURCE)
                        .map(kind -> new SourceRoot(source, use(source), kind)))
                .toList();
        Module module = new Module(String.valueOf(request.folder().getFileName()), request.folder(), roots,
                Dependencies.named(request.classPath()), List.of(),
                request.level().map(JavaLevel::of).orElseGet(JavaLevel::running),
                request.encoding().orElse(StandardCharsets.UTF_8));
        return new Workspace(request.folder(), List.of(module), List.of());
    }

    /** A source folder whose own name says so holds tests. */
    private static SourceRoot.Use use(Path source) {
        String path = source.toString().replace('\\', '/');
        return path.matches(".*(^|[/-])tests?(-sources?)?(/java)?$") ? SourceRoot.Use.TEST : SourceRoot.Use.MAIN;
    }
}
