package dev.deftchisel.workspace;

import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * The code that is worked on.
 *
 * @param root    the folder all paths are shown relative to; absolute, normalised
 * @param build   from what it was read
 * @param modules at least one
 * @param gaps    what could not be found out (a missing dependency …) and what follows from it, one line each
 */
public record Workspace(Path root, Build build, List<Module> modules, List<String> gaps) {

    /** Copies the lists. */
    public Workspace {
        modules = List.copyOf(modules);
        gaps = List.copyOf(gaps);
    }

    /** One that was read from folders alone. */
    public Workspace(Path root, List<Module> modules, List<String> gaps) {
        this(root, Build.FOLDERS, modules, gaps);
    }

    /** The path as it is shown to people and written in diffs: relative to the root, with slashes. */
    public String show(Path file) {
        Path shown = file.startsWith(root) ? root.relativize(file) : file;
        return shown.toString().replace('\\', '/');
    }

    /**
     * Whether the workspace may be another one when some files have changed: when it was read from one of them, or one
     * of them in it belongs to a build.
     */
    public boolean isReadFrom(Collection<Path> changed) {
        return changed.stream().anyMatch(file -> build.files().contains(file) || file.startsWith(root)
                && Build.FILE_PATTERNS.stream().anyMatch(pattern ->
                file.getFileSystem().getPathMatcher("glob:" + pattern).matches(file.getFileName())));
    }

    /** The roots with what annotation processors make; none where they are not run. */
    public List<SourceRoot> processedRoots() {
        return modules.stream().flatMap(module -> module.roots().stream()).filter(SourceRoot::isProcessed).toList();
    }

    /** The root a file lies in. */
    public Optional<SourceRoot> rootOf(Path file) {
        return modules.stream()
                .flatMap(module -> module.roots().stream())
                .filter(candidate -> file.startsWith(candidate.folder()))
                .max((a, b) -> Integer.compare(a.folder().getNameCount(), b.folder().getNameCount()));
    }

    /** The module a file belongs to. */
    public Optional<Module> moduleOf(Path file) {
        return rootOf(file).flatMap(root -> modules.stream().filter(module -> module.roots().contains(root))
                .findFirst());
    }
}
