package dev.deftchisel.lsp.session;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.workspace.UnfitJavaException;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import dev.deftchisel.workspace.opening.Workspaces;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.eclipse.lsp4j.MessageParams;
import org.eclipse.lsp4j.MessageType;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The workspaces of the folders that the editor has open. Each is opened when something in it is asked for, and used by
 * the worker's thread only.
 */
public final class WorkspaceFolders implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(WorkspaceFolders.class);

    private final BuildWatch builds;
    private final Monitor monitor;
    private final Progress progress;
    private final Consumer<MessageParams> tell;
    private final List<Path> roots = new CopyOnWriteArrayList<>();
    private final Map<Path, Optional<Chisel>> open = new HashMap<>();
    private final Map<Path, List<Path>> projects = new HashMap<>();
    private final Set<String> warned = new HashSet<>();
    private Set<Permission> permissions = Set.of();

    /** @param tell takes what the user should know of a folder that is opened, or cannot be */
    WorkspaceFolders(Monitor monitor, Progress progress, Consumer<MessageParams> tell) {
        this(monitor, progress, tell, new BuildWatch(System::nanoTime));
    }

    WorkspaceFolders(Monitor monitor, Progress progress, Consumer<MessageParams> tell, BuildWatch builds) {
        this.builds = builds;
        this.monitor = monitor;
        this.progress = progress;
        this.tell = tell;
    }

    public void add(Path folder) {
        if (!roots.contains(folder)) {
            roots.add(folder);
        }
    }

    /** What may be done when a folder is opened; to be called on the worker's thread. */
    void allow(Set<Permission> allowed) {
        if (!allowed.equals(permissions)) {
            permissions = allowed;
            close();
        }
    }

    /** A folder that is not worked on any more; to be called on the worker's thread. */
    public void remove(Path folder) {
        roots.remove(folder);
        Optional.ofNullable(projects.remove(folder)).orElse(List.of(folder)).forEach(project ->
                Optional.ofNullable(open.remove(project)).flatMap(chisel -> chisel).ifPresent(Chisel::close));
    }

    /**
     * The workspace that a file belongs to: of the innermost folder or of the project below it, of the project around
     * the file, or at last of nothing but the folder of the file.
     */
    public Optional<Chisel> of(Path file) {
        List<Path> changed = builds.changed();
        if (!changed.isEmpty()) {
            refresh(changed);
        }
        Optional<Path> root = roots.stream().filter(file::startsWith).max(Comparator.comparingInt(Path::getNameCount));
        Optional<Path> project = root.flatMap(folder -> projects(folder).stream().filter(file::startsWith)
                .max(Comparator.comparingInt(Path::getNameCount)));
        if (project.isPresent()) {
            return open.computeIfAbsent(project.get(), this::open);
        }
        // outside of all; what is open already may hold it
        Optional<Chisel> around = open.values().stream().flatMap(Optional::stream)
                .filter(chisel -> file.startsWith(chisel.workspace().root()))
                .max(Comparator.comparingInt(chisel -> chisel.workspace().root().getNameCount()));
        return around.isPresent() || file.getParent() == null ? around
                : open.computeIfAbsent(file.getParent(), folder -> openOutside(folder, file));
    }

    /** All that are open, those of the folders of the editor opened first. */
    public List<Chisel> all() {
        roots.stream().flatMap(root -> projects(root).stream()).forEach(project ->
                open.computeIfAbsent(project, this::open));
        return open.values().stream().flatMap(Optional::stream).toList();
    }

    /** Whether a project belongs to a folder that the editor has open, so that something may be written there. */
    public boolean areAround(Path project) {
        return roots.stream().anyMatch(root -> project.startsWith(root) || root.startsWith(project));
    }

    /** The projects of the folders that the editor has open, without others that single files belong to. */
    public List<Chisel> own() {
        return roots.stream().flatMap(root -> projects(root).stream()).distinct()
                .flatMap(project -> open.computeIfAbsent(project, this::open).stream()).toList();
    }

    /** The folder itself when it is in a project, or all projects below it. */
    private List<Path> projects(Path root) {
        return projects.computeIfAbsent(root, folder -> {
            List<Path> found = Workspaces.installed().projectsAround(folder);
            if (found.size() > 1) {
                log(folder + " holds " + found.size() + " projects; each is opened when it is needed");
            }
            return found.isEmpty() ? List.of(folder) : found;
        });
    }

    private Optional<Chisel> open(Path folder) {
        return open(OpenRequest.around(folder), folder);
    }

    /** A file that the editor shows without the folder that it belongs to. */
    private Optional<Chisel> openOutside(Path folder, Path file) {
        if (!Files.isDirectory(folder)) {
            return Optional.empty();
        }
        if (!Workspaces.installed().projectsAround(folder).contains(folder)) {
            Optional<Path> sources = LonelyFile.sources(file);
            if (sources.isEmpty()) {
                warn(file + " is in no project, and too much is below its folder to be looked at; open its folder");
                return Optional.empty();
            }
            warn(file.getFileName() + " is in no project: what is beside it is looked at, without any libraries");
            return open(OpenRequest.plain(folder, List.of(sources.get()), List.of()), folder);
        }
        Optional<Chisel> opened = open(folder);
        opened.ifPresent(chisel -> log(file + " is outside of the open folders; its project "
                + chisel.workspace().root() + " is opened"));
        return opened;
    }

    private Optional<Chisel> open(OpenRequest plain, Path folder) {
        if (!Files.isDirectory(folder)) {
            return Optional.empty();
        }
        try {
            OpenRequest request = permissions.stream().reduce(plain, OpenRequest::with, (one, other) -> other);
            Chisel chisel = progress.during("opening " + folder.getFileName(), () -> Chisel.open(request, monitor));
            tellGaps(chisel.workspace());
            builds.remember(chisel.workspace());
            return Optional.of(chisel);
        } catch (UnfitJavaException unfit) {
            // nothing works in this folder, so it is not enough to have it in a log
            tell.accept(new MessageParams(MessageType.Error, unfit.getMessage()));
            return Optional.empty();
        } catch (WorkspaceException nothing) {
            LOG.warn("{}: {}", folder, nothing.getMessage());
            warn(nothing.getMessage());
            return Optional.empty();
        }
    }

    /** Seen once; whoever gets it again finds it in the log. */
    private void warn(String sentence) {
        if (warned.add(sentence)) {
            tell.accept(new MessageParams(MessageType.Warning, sentence));
        }
        log(sentence);
    }

    private void log(String sentence) {
        tell.accept(new MessageParams(MessageType.Log, sentence));
    }

    /** One line to be seen, all of them to be looked up. */
    private void tellGaps(Workspace workspace) {
        List<String> gaps = workspace.gaps();
        gaps.forEach(this::log);
        if (!gaps.isEmpty() && warned.add(workspace.root() + gaps.get(0))) {
            tell.accept(new MessageParams(MessageType.Warning, gaps.get(0) + (gaps.size() == 1 ? ""
                    : " (and " + (gaps.size() - 1) + " more; 'deft project' shows them)")));
        }
    }

    /** Files were written, made or removed by somebody else. */
    public void refresh(Collection<Path> files) {
        open.values().removeIf(Optional::isEmpty);
        // a build file may have come or gone
        projects.clear();
        open.values().removeIf(chisel -> {
            boolean isOther = chisel.get().workspace().isReadFrom(files);
            if (isOther) {
                chisel.get().close();
            }
            return isOther;
        });
        open.values().stream().flatMap(Optional::stream).forEach(chisel -> chisel.refresh(files));
    }

    @Override
    public void close() {
        open.values().stream().flatMap(Optional::stream).forEach(Chisel::close);
        open.clear();
    }
}
