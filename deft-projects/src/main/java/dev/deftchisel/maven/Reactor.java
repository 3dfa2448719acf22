package dev.deftchisel.maven;

import java.io.File;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.apache.maven.model.Model;
import org.apache.maven.repository.internal.MavenWorkspaceReader;
import org.eclipse.aether.artifact.Artifact;
import org.eclipse.aether.repository.WorkspaceRepository;

/**
 * The modules of a build as the resolver sees them, so that it takes what they need into account as it does with any
 * library. Whatever a module makes is there, in place of its file the build file is named.
 */
final class Reactor implements MavenWorkspaceReader {

    private final WorkspaceRepository repository = new WorkspaceRepository("reactor");
    private final Map<String, Model> models;

    Reactor(List<Model> models) {
        this.models = models.stream().collect(Collectors.toMap(Reactor::key, Function.identity(), (one, other) -> one));
    }

    /** Whether a resolved artifact is one that a build makes: it has a build file in place of its own. */
    static boolean isMadeHere(Artifact artifact) {
        return artifact.getFile().getName().endsWith(".xml") && !artifact.getExtension().equals("xml");
    }

    /** The module that makes an artifact. */
    Optional<Model> module(Artifact artifact) {
        return Optional.ofNullable(models.get(artifact.getGroupId() + ":" + artifact.getArtifactId() + ":"
                + artifact.getBaseVersion()));
    }

    private static String key(Model model) {
        return model.getGroupId() + ":" + model.getArtifactId() + ":" + model.getVersion();
    }

    @Override
    public WorkspaceRepository getRepository() {
        return repository;
    }

    @Override
    public File findArtifact(Artifact artifact) {
        return module(artifact).map(Model::getPomFile).orElse(null);
    }

    @Override
    public List<String> findVersions(Artifact artifact) {
        return models.values().stream()
                .filter(model -> model.getGroupId().equals(artifact.getGroupId()) && model.getArtifactId()
                        .equals(artifact.getArtifactId()))
                .map(Model::getVersion).toList();
    }

    @Override
    public Model findModel(Artifact artifact) {
        return module(artifact).orElse(null);
    }
}
