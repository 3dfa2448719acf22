package dev.deftchisel.lsp.session;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.workspace.UnfitJavaException;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
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

    private final Monitor monitor;
    private final Progress progress;
    private final Consumer<MessageParams> tell;
    private final List<Path> roots = new CopyOnWriteArrayList<>();
    private final Map<Path, Optional<Chisel>> open = new HashMap<>();
    private Set<Permission> permissions = Set.of();

    /** @param tell takes what the user should know of a folder that is opened, or cannot be */
    WorkspaceFolders(Monitor monitor, Progress progress, Consumer<MessageParams> tell) {
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
        Optional.ofNullable(open.remove(folder)).flatMap(chisel -> chisel).ifPresent(Chisel::close);
    }

    /** The workspace that a file belongs to: of the innermost folder, or of the project around the file. */
    Optional<Chisel> of(Path file) {
        Optional<Path> root = roots.stream().filter(file::startsWith).max(Comparator.comparingInt(Path::getNameCount));
        if (root.isPresent()) {
            return open.computeIfAbsent(root.get(), this::open);
        }
        // outside of all folders; what is open already may hold it
        Optional<Chisel> around = open.values().stream().flatMap(Optional::stream)
                .filter(chisel -> file.startsWith(chisel.workspace().root()))
                .max(Comparator.comparingInt(chisel -> chisel.workspace().root().getNameCount()));
        return around.isPresent() || file.getParent() == null ? around
                : open.computeIfAbsent(file.getParent(), this::open);
    }

    /** All that are open, those of the folders of the editor opened first. */
    public List<Chisel> all() {
        roots.forEach(root -> open.computeIfAbsent(root, this::open));
        return open.values().stream().flatMap(Optional::stream).toList();
    }

    private Optional<Chisel> open(Path folder) {
        if (!Files.isDirectory(folder)) {
            return Optional.empty();
        }
        try {
            OpenRequest request = permissions.stream()
                    .reduce(OpenRequest.around(folder), OpenRequest::with, (one, other) -> other);
            Chisel chisel = progress.during("opening " + folder.getFileName(), () -> Chisel.open(request, monitor));
            tellGaps(chisel.workspace());
            return Optional.of(chisel);
        } catch (UnfitJavaException unfit) {
            // nothing works in this folder, so it is not enough to have it in a log
            tell.accept(new MessageParams(MessageType.Error, unfit.getMessage()));
            return Optional.empty();
        } catch (WorkspaceException nothing) {
            LOG.warn("{}: {}", folder, nothing.getMessage());
            tell.accept(new MessageParams(MessageType.Log, nothing.getMessage()));
            return Optional.empty();
        }
    }

    /** One line to be seen, all of them to be looked up. */
    private void tellGaps(Workspace workspace) {
        List<String> gaps = workspace.gaps();
        gaps.forEach(gap -> tell.accept(new MessageParams(MessageType.Log, gap)));
        if (!gaps.isEmpty()) {
            tell.accept(new MessageParams(MessageType.Warning, gaps.get(0) + (gaps.size() == 1 ? ""
                    : " (and " + (gaps.size() - 1) + " more; 'deft project' shows them)")));
        }
    }

    /** Files were written, made or removed by somebody else. */
    public void refresh(Collection<Path> files) {
        open.values().removeIf(Optional::isEmpty);
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
