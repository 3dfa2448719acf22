package dev.deftchisel.analysis.compiler;

import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
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
    private final AdditionsReader additions;

    public SnapshotFileManager(StandardJavaFileManager libraries, AdditionsReader additions,
            Stream<SourceFile> sources) {
        super(libraries);
        this.additions = additions;
        List<SourceFile> files = sources.filter(file -> !file.isModuleInfo()).toList();
        files.parallelStream().forEach(SourceFile::header);
        for (SourceFile file : files) {
            if (file.isPackageInfo()) {
                add(file, "package-info");
                continue;
            }
            file.header().types().forEach(type -> add(file, type));
        }
    }

    private void add(SourceFile file, String simpleName) {
        String home = file.header().packageName();
        byPackage.computeIfAbsent(home, name -> new ArrayList<>())
                .add(new SnapshotFileObject(file, home, simpleName, () -> additions.declarations(file)));
    }

    @Override
    public boolean hasLocation(Location location) {
        return location == StandardLocation.SOURCE_PATH || super.hasLocation(location);
    }

    @Override
    public Iterable<JavaFileObject> list(
            Location location, String packageName, Set<JavaFileObject.Kind> kinds, boolean recurse) throws IOException {
        if (location != StandardLocation.SOURCE_PATH) {
            return super.list(location, packageName, kinds, recurse);
        }
        return kinds.contains(JavaFileObject.Kind.SOURCE)
                ? byPackage.getOrDefault(packageName, List.of())
                : List.of();
    }

    @Override
    public String inferBinaryName(Location location, JavaFileObject file) {
        return file instanceof SnapshotFileObject source ? source.binaryName() : super.inferBinaryName(location, file);
    }

    @Override
    public boolean contains(Location location, javax.tools.FileObject file) throws IOException {
        return file instanceof SnapshotFileObject
                ? location == StandardLocation.SOURCE_PATH
                : super.contains(location, file);
    }

    @Override
    public void close() {
        // the manager of the libraries stays open for the next analysis
    }
}
