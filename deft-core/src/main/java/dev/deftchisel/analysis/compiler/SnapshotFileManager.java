package dev.deftchisel.analysis.compiler;

import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.analysis.declared.DeclaredClass;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import javax.tools.JavaFileObject;
import javax.tools.StandardJavaFileManager;
import javax.tools.StandardLocation;

/**
 * Shows the compiler the sources of a snapshot as its source path, by declared package rather than by folder. A file
 * is listed once for each top-level type in it, so that types without a file of their own are found as well.
 */
public final class SnapshotFileManager extends ForwardingStandardFileManager {

    private final Map<String, List<JavaFileObject>> byPackage = new HashMap<>();
    private final Map<String, List<JavaFileObject>> declared = new HashMap<>();
    private final Set<SourceFile> read = new LinkedHashSet<>();
    private final AdditionsReader additions;

    /** Every file is read from its text. */
    public SnapshotFileManager(StandardJavaFileManager libraries, AdditionsReader additions,
            Stream<SourceFile> sources) {
        this(libraries, additions, sources, Map.of());
    }

    /** @param classes what is read instead of the text of some files, by path */
    public SnapshotFileManager(StandardJavaFileManager libraries, AdditionsReader additions,
            Stream<SourceFile> sources, Map<Path, List<DeclaredClass>> classes) {
        super(libraries);
        this.additions = additions;
        List<SourceFile> files = sources.filter(file -> !file.isModuleInfo()).toList();
        files.parallelStream().forEach(SourceFile::header);
        for (SourceFile file : files) {
            if (file.isPackageInfo()) {
                add(file, "package-info");
            } else if (classes.containsKey(file.path())) {
                declared.computeIfAbsent(file.header().packageName(), name -> new ArrayList<>())
                        .addAll(classes.get(file.path()));
            } else {
                file.header().types().forEach(type -> add(file, type));
            }
        }
    }

    private void add(SourceFile file, String simpleName) {
        String home = file.header().packageName();
        byPackage.computeIfAbsent(home, name -> new ArrayList<>())
                .add(new SnapshotFileObject(file, home, simpleName, () -> read(file)));
    }

    private String read(SourceFile file) {
        read.add(file);
        return additions.declarations(file);
    }

    /** The files of which the compiler has read the text, for what they declare; grows while it is asked. */
    public Set<SourceFile> read() {
        return Collections.unmodifiableSet(read);
    }

    @Override
    public boolean hasLocation(Location location) {
        return location == StandardLocation.SOURCE_PATH || super.hasLocation(location);
    }

    @Override
    public Iterable<JavaFileObject> list(
            Location location, String packageName, Set<JavaFileObject.Kind> kinds, boolean recurse) throws IOException {
        if (location == StandardLocation.CLASS_PATH && kinds.contains(JavaFileObject.Kind.CLASS)
                && declared.containsKey(packageName)) {
            List<JavaFileObject> all = new ArrayList<>(declared.get(packageName));
            super.list(location, packageName, kinds, recurse).forEach(all::add);
            return all;
        } else if (location != StandardLocation.SOURCE_PATH) {
            return super.list(location, packageName, kinds, recurse);
        }
        return kinds.contains(JavaFileObject.Kind.SOURCE)
                ? byPackage.getOrDefault(packageName, List.of())
                : List.of();
    }

    @Override
    public String inferBinaryName(Location location, JavaFileObject file) {
        if (file instanceof DeclaredClass known) {
            return known.binaryName();
        }
        return file instanceof SnapshotFileObject source ? source.binaryName() : super.inferBinaryName(location, file);
    }

    @Override
    public boolean contains(Location location, javax.tools.FileObject file) throws IOException {
        if (file instanceof DeclaredClass) {
            return location == StandardLocation.CLASS_PATH;
        }
        return file instanceof SnapshotFileObject
                ? location == StandardLocation.SOURCE_PATH
                : super.contains(location, file);
    }

    @Override
    public void close() {
        // the manager of the libraries stays open for the next analysis
    }
}
