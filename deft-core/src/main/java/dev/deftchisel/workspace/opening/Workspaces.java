package dev.deftchisel.workspace.opening;

import dev.deftchisel.jdk.JdkFinder;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.UnfitJavaException;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.Set;
import java.util.stream.Stream;

/** Opens workspaces: goes from a folder upwards to the outermost project, and lets the reader for its kind read it. */
public final class Workspaces {

    private static final int MOST_LEVELS = 3;
    private static final int MOST_FOLDERS = 200;
    private static final Set<String> NO_PROJECTS = Set.of("target", "build", "out", "bin", "node_modules");

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

    /**
     * The folder itself when it lies in a project, or else the projects below it, which may be none; folders of builds
     * and hidden ones are not looked into.
     *
     * @param folder of any sort
     */
    public List<Path> projectsAround(Path folder) {
        boolean isInProject = Stream.<Path>iterate(folder, path -> path != null, Path::getParent)
                .anyMatch(this::isProject);
        return isInProject ? List.of(folder) : projectsBelow(folder, MOST_LEVELS);
    }

    private List<Path> projectsBelow(Path folder, int levels) {
        if (levels == 0) {
            return List.of();
        }
        List<Path> inside;
        try (Stream<Path> all = Files.list(folder)) {
            inside = all.filter(path -> Files.isDirectory(path, LinkOption.NOFOLLOW_LINKS))
                    .filter(path -> !path.getFileName().toString().startsWith(".")
                            && !NO_PROJECTS.contains(path.getFileName().toString()))
                    .sorted().limit(MOST_FOLDERS).toList();
        } catch (IOException | UncheckedIOException unreadable) {
            return List.of();
        }
        return inside.stream().flatMap(path -> isProject(path) ? Stream.of(path)
                : projectsBelow(path, levels - 1).stream()).toList();
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
