package dev.deftchisel.maven;

import dev.deftchisel.maven.settings.MavenSettings;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.apache.maven.model.Model;
import org.apache.maven.model.building.ModelBuildingException;
import org.eclipse.aether.artifact.DefaultArtifact;
import org.eclipse.aether.repository.RemoteRepository;
import org.eclipse.aether.resolution.ArtifactRequest;
import org.eclipse.aether.resolution.ArtifactResolutionException;

/** Finds single artifacts by their coordinates: in the repository of this machine or, when allowed, in remote ones. */
public final class Artifacts {

    private final Repositories repositories;
    private final List<RemoteRepository> remotes;

    private Artifacts(Repositories repositories, List<RemoteRepository> remotes) {
        this.repositories = repositories;
        this.remotes = remotes;
    }

    /**
     * @param online whether what is not on this machine may be fetched, from where Maven looks when nothing else is
     *               said
     */
    public static Artifacts open(boolean online) {
        Repositories repositories = Repositories.open(MavenSettings.ofThisUser(), online);
        try {
            Model superModel = repositories.standardModel();
            return new Artifacts(repositories, repositories.remotes(superModel.getRepositories()));
        } catch (ModelBuildingException impossible) {
            throw new IllegalStateException("the model that Maven itself brings can be built", impossible);
        }
    }

    /**
     * The file of an artifact.
     *
     * @param coordinates {@code group:artifact[:extension[:classifier]]:version}
     * @return empty when it is neither here nor can be fetched
     * @throws IllegalArgumentException when these are no coordinates
     */
    public Optional<Path> find(String coordinates) {
        ArtifactRequest request = new ArtifactRequest(new DefaultArtifact(coordinates), remotes, null);
        try {
            return Optional.of(repositories.system().resolveArtifact(repositories.session(), request)
                    .getArtifact().getFile().toPath());
        } catch (ArtifactResolutionException absent) {
            return Optional.empty();
        }
    }
}
