package dev.deftchisel.proving.corpus;

import dev.deftchisel.maven.Artifacts;
import dev.deftchisel.maven.MavenReader;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/**
 * Keeps corpora outside the repository, each laid out once as a tree that is read by its folders:
 * <pre>
 * commons-csv-1.14.1/src/main/java, src/main/resources, src/test/java, src/test/resources
 * commons-csv-1.14.1/left-out      test files that need what the build does not bring, such as benchmarks; removed
 * commons-csv-1.14.1/class-path    the libraries, one a line; written last, so that without it nothing is laid out
 * commons-csv-1.14.1/level         the language level its build asks for
 * </pre>
 */
public final class Depot {

    private static final String CLASS_PATH = "class-path";
    private static final String LEVEL = "level";

    private final Path cache;
    private final boolean online;

    /**
     * @param cache  where corpora are kept
     * @param online whether what is missing may be fetched
     */
    public Depot(Path cache, boolean online) {
        this.cache = cache;
        this.online = online;
    }

    /** The depot of this user. */
    public static Depot standard(boolean online) {
        String named = System.getenv("XDG_CACHE_HOME");
        Path base = named == null || named.isBlank() ? Path.of(System.getProperty("user.home"), ".cache")
                : Path.of(named);
        return new Depot(base.resolve("deft-proving"), online);
    }

    /**
     * A corpus, fetched and laid out if it is not there yet.
     *
     * @param name        how it is called
     * @param coordinates {@code group:artifact:version}
     * @throws CorpusException when it is not here and cannot be fetched
     */
    public Corpus corpus(String name, String coordinates) {
        String[] parts = coordinates.split(":");
        Path folder = cache.resolve(parts[1] + "-" + parts[2]);
        try {
            Optional<Corpus> laid = laid(name, folder);
            if (laid.isPresent()) {
                return laid.get();
            }
            lay(coordinates, folder);
            return laid(name, folder).orElseThrow(() -> new CorpusException(name + ": its libraries are gone again"));
        } catch (IOException failed) {
            throw new CorpusException(name + " cannot be laid out in " + folder + ": " + failed.getMessage(), failed);
        }
    }

    private static Optional<Corpus> laid(String name, Path folder) throws IOException {
        if (!Files.isRegularFile(folder.resolve(CLASS_PATH))) {
            return Optional.empty();
        }
        List<Path> classPath = Files.readAllLines(folder.resolve(CLASS_PATH)).stream().map(Path::of).toList();
        int level = Integer.parseInt(Files.readString(folder.resolve(LEVEL)).strip());
        return classPath.stream().allMatch(Files::exists)
                ? Optional.of(new Corpus(name, new OpenRequest(
                        folder, true, List.of(), classPath, Optional.of(level), Optional.empty(), Set.of())))
                : Optional.empty();
    }

    private void lay(String coordinates, Path folder) throws IOException {
        Artifacts artifacts = Artifacts.open(online);
        String[] parts = coordinates.split(":");
        String stem = parts[0] + ":" + parts[1];
        Files.createDirectories(folder);
        Path sources = artifacts.find(stem + ":jar:sources:" + parts[2]).orElseThrow(() -> absent(coordinates));
        Path pom = artifacts.find(stem + ":pom:" + parts[2]).orElseThrow(() -> absent(coordinates));
        unpack(sources, folder.resolve("src/main"));
        Optional<Path> tests = artifacts.find(stem + ":jar:test-sources:" + parts[2]);
        if (tests.isPresent()) {
            unpack(tests.get(), folder.resolve("src/test"));
        }
        Path model = folder.resolve("pom.xml");
        Files.copy(pom, model, StandardCopyOption.REPLACE_EXISTING);
        try {
            OpenRequest request = new OpenRequest(
                    folder, true, List.of(), List.of(), Optional.empty(), Optional.empty(), online
                    ? Set.of(Permission.FETCH_LIBRARIES) : Set.of());
            Workspace workspace = new MavenReader().read(folder, request);
            Module module = workspace.modules().get(0);
            Files.writeString(folder.resolve(LEVEL), String.valueOf(module.level()));
            Files.write(folder.resolve("left-out"), leaveOut(workspace));
            Files.write(folder.resolve(CLASS_PATH), module.classPath().stream().map(Path::toString).toList());
        } finally {
            // the build needs parents and plug-ins that play no part here: the folders say enough from now on
            Files.deleteIfExists(model);
        }
    }

    /** Removes test files that do not compile until the rest does. */
    private static List<String> leaveOut(Workspace workspace) throws IOException {
        List<String> gone = new ArrayList<>();
        while (true) {
            List<Path> broken = CompiledCode.of(Snapshot.read(workspace)).broken().stream()
                    .filter(file -> workspace.rootOf(file).filter(root -> root.use() == SourceRoot.Use.TEST)
                            .isPresent())
                    .toList();
            if (broken.isEmpty()) {
                return gone;
            }
            for (Path file : broken) {
                Files.delete(file);
                gone.add(workspace.show(file));
            }
        }
    }

    private CorpusException absent(String coordinates) {
        return new CorpusException(coordinates + " is not on this machine"
                + (online ? " and cannot be fetched; is the network there?" : "; fetch it with --online"));
    }

    private static void unpack(Path archive, Path target) throws IOException {
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            for (ZipEntry entry : zip.stream().filter(entry -> !entry.isDirectory()).toList()) {
                String name = entry.getName();
                if (name.startsWith("META-INF/") && !name.startsWith("META-INF/services/")) {
                    continue;
                }
                Path file = target.resolve(name.endsWith(".java") ? "java" : "resources").resolve(name).normalize();
                if (file.startsWith(target)) {
                    Files.createDirectories(file.getParent());
                    try (InputStream in = zip.getInputStream(entry)) {
                        Files.copy(in, file, StandardCopyOption.REPLACE_EXISTING);
                    }
                }
            }
        }
    }
}
