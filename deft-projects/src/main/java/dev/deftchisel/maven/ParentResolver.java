package dev.deftchisel.maven;

import java.util.ArrayList;
import java.util.List;
import org.apache.maven.model.Dependency;
import org.apache.maven.model.Parent;
import org.apache.maven.model.Repository;
import org.apache.maven.model.building.FileModelSource;
import org.apache.maven.model.building.ModelSource;
import org.apache.maven.model.resolution.ModelResolver;
import org.apache.maven.model.resolution.UnresolvableModelException;
import org.eclipse.aether.artifact.Artifact;
import org.eclipse.aether.artifact.DefaultArtifact;
import org.eclipse.aether.repository.RemoteRepository;
import org.eclipse.aether.resolution.ArtifactRequest;
import org.eclipse.aether.resolution.ArtifactResolutionException;

/** Finds the models that a model refers to: parents and imported dependency lists. */
final class ParentResolver implements ModelResolver {

    private final Repositories repositories;
    private final List<RemoteRepository> remotes;

    ParentResolver(Repositories repositories, List<RemoteRepository> remotes) {
        this.repositories = repositories;
        this.remotes = new ArrayList<>(remotes);
    }

    @Override
    public ModelSource resolveModel(String groupId, String artifactId, String version)
            throws UnresolvableModelException {
        Artifact pom = new DefaultArtifact(groupId, artifactId, "pom", version);
        try {
            return new FileModelSource(repositories.system()
                    .resolveArtifact(repositories.session(), new ArtifactRequest(pom, remotes, null))
                    .getArtifact()
                    .getFile());
        } catch (ArtifactResolutionException absent) {
            throw new UnresolvableModelException(
                    groupId + ":" + artifactId + ":" + version + " is not on this machine", groupId, artifactId,
                    version,
                    absent);
        }
    }

    @Override
    public ModelSource resolveModel(Parent parent) throws UnresolvableModelException {
        return resolveModel(parent.getGroupId(), parent.getArtifactId(), parent.getVersion());
    }

    @Override
    public ModelSource resolveModel(Dependency dependency) throws UnresolvableModelException {
        return resolveModel(dependency.getGroupId(), dependency.getArtifactId(), dependency.getVersion());
    }

    @Override
    public void addRepository(Repository repository) {
        addRepository(repository, false);
    }

    @Override
    public void addRepository(Repository repository, boolean replace) {
        if (replace) {
            remotes.removeIf(known -> known.getId().equals(repository.getId()));
        }
        if (remotes.stream().noneMatch(known -> known.getId().equals(repository.getId()))) {
            remotes.addAll(repositories.remotes(List.of(repository)));
        }
    }

    @Override
    public ModelResolver newCopy() {
        return new ParentResolver(repositories, remotes);
    }
}
