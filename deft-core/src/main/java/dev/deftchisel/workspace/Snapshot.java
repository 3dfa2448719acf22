package dev.deftchisel.workspace;

import dev.deftchisel.source.SourceText;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.Words;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * The texts of a workspace at one moment. Immutable; a change in memory gives another snapshot that shares the rest.
 *
 * <p>Folders that are links are not entered, so that no file is seen twice; files that are links are read.
 */
public final class Snapshot {

    private final Workspace workspace;
    private final Map<Path, SourceFile> files;

    private Snapshot(Workspace workspace, Map<Path, SourceFile> files) {
        this.workspace = workspace;
        this.files = files;
    }

    /**
     * Reads all Java files of the workspace, on as many threads as there are processors.
     *
     * @throws WorkspaceException when a folder or file cannot be read
     */
    public static Snapshot read(Workspace workspace) {
        return read(workspace, Map.of());
    }

    /**
     * The same workspace read anew. Every byte is read again; a file that reads as before keeps what was derived from
     * its text.
     *
     * @throws WorkspaceException when a folder or file cannot be read
     */
    public Snapshot readAgain() {
        return read(workspace, files);
    }

    private static Snapshot read(Workspace workspace, Map<Path, SourceFile> known) {
        Map<Path, SourceFile> found = new TreeMap<>();
        for (Module module : workspace.modules()) {
            for (SourceRoot root : module.roots()) {
                if (root.isJava()) {
                    List<Path> paths = list(root.folder(), true);
                    paths.parallelStream()
                            .map(path -> keep(known.get(path), new SourceFile(path, decode(path, module), module,
                                    root)))
                            .toList()
                            .forEach(file -> found.putIfAbsent(file.path(), file));
                }
            }
        }
        if (found.isEmpty()) {
            throw new WorkspaceException(workspace.root() + ": there is no Java file in its source folders");
        }
        return new Snapshot(workspace, new LinkedHashMap<>(found));
    }

    private static SourceFile keep(SourceFile known, SourceFile read) {
        return known != null && known.isSameAs(read) ? known : read;
    }

    private static List<Path> list(Path folder, boolean java) {
        List<Path> paths = new ArrayList<>();
        try {
            Files.walkFileTree(folder, new SimpleFileVisitor<>() {
                @Override
                public FileVisitResult preVisitDirectory(Path directory, BasicFileAttributes attributes) {
                    boolean hidden = directory.getFileName().toString().startsWith(".") && !directory.equals(folder);
                    return hidden ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.CONTINUE;
                }

                @Override
                public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                    if (file.toString().endsWith(".java") == java && Files.isRegularFile(file)) {
                        paths.add(file);
                    }
                    return FileVisitResult.CONTINUE;
                }
            });
        } catch (IOException failed) {
            throw new WorkspaceException(folder + " cannot be listed: " + failed.getMessage(), failed);
        }
        return paths;
    }

    private static SourceText decode(Path path, Module module) {
        try {
            return SourceText.decode(Files.readAllBytes(path), module.encoding());
        } catch (IOException failed) {
            throw new WorkspaceException(path + " cannot be read: " + failed.getMessage(), failed);
        }
    }

    /** The workspace the texts are of. */
    public Workspace workspace() {
        return workspace;
    }

    /** All Java files, ordered by path unless changed in memory. */
    public Collection<SourceFile> files() {
        return files.values();
    }

    /** The Java file with this path. */
    public Optional<SourceFile> file(Path path) {
        return Optional.ofNullable(files.get(path));
    }

    /** A place as people are told it: {@code src/Berth.java:3:7}. */
    public String show(Path path, int offset) {
        return workspace.show(path) + ":" + source(path).position(offset);
    }

    /**
     * A file that must be there.
     *
     * @throws WorkspaceException when no Java file of the workspace is at this path
     */
    public SourceFile source(Path path) {
        return file(path).orElseThrow(() -> new WorkspaceException(workspace.show(path)
                + " is not a Java file of this workspace, or is not there any more"));
    }

    /**
     * The Java files in which one of the names stands as an identifier; found by text first, so that only few files
     * are cut into tokens.
     */
    public List<SourceFile> mentioning(Set<String> names) {
        return files.values().parallelStream()
                // what is made anew for each change follows by itself
                .filter(file -> !file.root().isProcessed())
                .filter(file -> names.stream().anyMatch(name -> Words.contains(file.content(), name))
                        || file.hasEscapes())
                .filter(file -> hasIdentifier(file.tokens(), names))
                .toList();
    }

    /** The paths of the files that {@link #mentioning} finds. */
    public Set<Path> pathsMentioning(Set<String> names) {
        return mentioning(names).stream().map(SourceFile::path).collect(Collectors.toSet());
    }

    private static boolean hasIdentifier(Tokens tokens, Set<String> names) {
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.kind(i) == TokenKind.IDENTIFIER) {
                for (String name : names) {
                    if (tokens.isName(i, name)) {
                        return true;
                    }
                }
            }
        }
        // a name may also stand in documentation only, as a reference
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.kind(i) == TokenKind.DOC_COMMENT && mentions(tokens.text(i), names)) {
                return true;
            }
        }
        return false;
    }

    private static boolean mentions(String text, Set<String> names) {
        return names.stream().anyMatch(name -> Words.contains(text, name));
    }

    /** The files of the resource roots, absolute; read anew at each call. */
    public List<Path> resources() {
        return workspace.modules().stream()
                .flatMap(module -> module.roots().stream())
                .filter(root -> root.kind() == SourceRoot.Kind.RESOURCE)
                .flatMap(root -> list(root.folder(), false).stream())
                .distinct()
                .sorted()
                .toList();
    }

    /**
     * This snapshot with some files changed in memory.
     *
     * @param contents the new content by path; empty for a file that is gone. A path that is not in the snapshot is a
     *                 new file; it takes charset and module from the nearest root
     * @param origins  for a file that moved, where it came from, by its new path
     */
    public Snapshot with(Map<Path, Optional<String>> contents, Map<Path, Path> origins) {
        Map<Path, SourceFile> changed = new LinkedHashMap<>(files);
        contents.forEach((path, content) -> {
            SourceFile origin = files.get(origins.getOrDefault(path, path));
            if (content.isEmpty()) {
                changed.remove(path);
            } else if (origin != null) {
                changed.put(path, origin.with(path, content.get()));
            } else {
                newFile(path, content.get()).ifPresent(file -> changed.put(path, file));
            }
        });
        return new Snapshot(workspace, changed);
    }

    private Optional<SourceFile> newFile(Path path, String content) {
        return workspace.rootOf(path).filter(root -> path.toString().endsWith(".java"))
                .flatMap(root -> workspace.moduleOf(path).map(module -> new SourceFile(
                        path, new SourceText(content, module.encoding(), false, true), module, root)));
    }

    /**
     * This snapshot with the given files read again from disk, or dropped where they are gone.
     *
     * @throws UncheckedIOException when a file is there and cannot be read
     */
    public Snapshot reread(Collection<Path> paths) {
        Map<Path, SourceFile> changed = new TreeMap<>(files);
        for (Path path : paths) {
            changed.remove(path);
            if (path.toString().endsWith(".java") && Files.isRegularFile(path)) {
                try {
                    byte[] bytes = Files.readAllBytes(path);
                    workspace.rootOf(path).filter(SourceRoot::isJava).ifPresent(root -> {
                        Module module = workspace.moduleOf(path).orElseThrow();
                        changed.put(path, new SourceFile(path, SourceText.decode(bytes, module.encoding()), module,
                                root));
                    });
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            }
        }
        return new Snapshot(workspace, new LinkedHashMap<>(changed));
    }
}
