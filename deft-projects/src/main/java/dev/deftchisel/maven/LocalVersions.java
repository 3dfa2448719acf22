package dev.deftchisel.maven;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.eclipse.aether.artifact.Artifact;
import org.eclipse.aether.repository.WorkspaceReader;
import org.eclipse.aether.repository.WorkspaceRepository;

/**
 * The versions of a library that are in the local repository, for ranges of versions: Maven itself asks the remote
 * repository which there are, which cannot be done here unasked.
 *
 * @param folder     of the local repository
 * @param repository what it is called
 */
record LocalVersions(Path folder, WorkspaceRepository repository) implements WorkspaceReader {

    LocalVersions(Path folder) {
        this(folder, new WorkspaceRepository("versions"));
    }

    @Override
    public WorkspaceRepository getRepository() {
        return repository;
    }

    @Override
    public File findArtifact(Artifact artifact) {
        return null;
    }

    @Override
    public List<String> findVersions(Artifact artifact) {
        Path versions = folder.resolve(artifact.getGroupId().replace('.', '/')).resolve(artifact.getArtifactId());
        if (!Files.isDirectory(versions)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(versions)) {
            return all.map(path -> path.getFileName().toString())
                    .filter(version -> Files.isRegularFile(versions.resolve(version)
                            .resolve(artifact.getArtifactId() + "-" + version + "." + artifact.getExtension())))
                    .toList();
        } catch (IOException unreadable) {
            return List.of();
        }
    }
}
