package dev.deftchisel.maven;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.eclipse.aether.AbstractRepositoryListener;
import org.eclipse.aether.RepositoryEvent;

/** Collects the libraries whose model cannot be read, so that nobody knows what they need themselves. */
final class UnreadModels extends AbstractRepositoryListener {

    private final ConcurrentLinkedQueue<String> found = new ConcurrentLinkedQueue<>();

    @Override
    public void artifactDescriptorInvalid(RepositoryEvent event) {
        found.add("what " + Repositories.shown(event.getArtifact())
                + " needs itself, since its POM cannot be read, so it");
    }

    @Override
    public void artifactDescriptorMissing(RepositoryEvent event) {
        // said already when the library itself is not here
        if (event.getArtifact().getFile() != null) {
            artifactDescriptorInvalid(event);
        }
    }

    /** Those since the last time. */
    List<String> take() {
        List<String> taken = new ArrayList<>();
        for (String one = found.poll(); one != null; one = found.poll()) {
            taken.add(one);
        }
        return taken.stream().distinct().toList();
    }
}
