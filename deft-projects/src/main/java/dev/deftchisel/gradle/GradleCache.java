package dev.deftchisel.gradle;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.eclipse.aether.artifact.Artifact;
import org.eclipse.aether.repository.WorkspaceReader;
import org.eclipse.aether.repository.WorkspaceRepository;

/** What Gradle has fetched on this machine: {@code GROUP/NAME/VERSION/HASH/FILE} below the folder of its user. */
final class GradleCache implements WorkspaceReader {

    private final WorkspaceRepository repository = new WorkspaceRepository("gradle");
    private final Path files;

    /** @param home the folder of Gradle's user */
    GradleCache(Path home) {
        this.files = home.resolve("caches").resolve("modules-2").resolve("files-2.1");
    }

    /** As Gradle itself looks for its user's folder. */
    static GradleCache ofThisUser() {
        String named = System.getProperty("gradle.user.home", System.getenv("GRADLE_USER_HOME"));
        return new GradleCache(named != null ? Path.of(named) : Path.of(System.getProperty("user.home"), ".gradle"));
    }

    @Override
    public WorkspaceRepository getRepository() {
        return repository;
    }

    @Override
    public File findArtifact(Artifact artifact) {
        String classifier = artifact.getClassifier().isEmpty() ? "" : "-" + artifact.getClassifier();
        String name = artifact.getArtifactId() + "-" + artifact.getVersion() + classifier + "."
                + artifact.getExtension();
        return children(module(artifact.getGroupId(), artifact.getArtifactId()).resolve(artifact.getVersion())).stream()
                .map(hash -> hash.resolve(name))
                .filter(Files::isRegularFile)
                .findFirst().map(Path::toFile).orElse(null);
    }

    @Override
    public List<String> findVersions(Artifact artifact) {
        return versions(artifact.getGroupId(), artifact.getArtifactId());
    }

    /** The versions of a library that are here, in no order. */
    List<String> versions(String group, String name) {
        return children(module(group, name)).stream().map(path -> path.getFileName().toString()).toList();
    }

    private Path module(String group, String name) {
        return files.resolve(group).resolve(name);
    }

    private static List<Path> children(Path folder) {
        return Optional.of(folder).filter(Files::isDirectory).map(present -> {
            try (Stream<Path> all = Files.list(present)) {
                return all.filter(Files::isDirectory).sorted().toList();
            } catch (IOException unreadable) {
                return List.<Path>of();
            }
        }).orElse(List.of());
    }
}
