package dev.deftchisel.maven;

import java.util.Comparator;
import org.eclipse.aether.util.graph.transformer.ConflictResolver;

/** Of several versions of a library takes the newest, wherever in the graph it is asked for. */
final class NewestVersion extends ConflictResolver.VersionSelector {

    @Override
    public void selectVersion(ConflictResolver.ConflictContext context) {
        context.getItems().stream()
                .max(Comparator.comparing(item -> item.getNode().getVersion()))
                .ifPresent(context::setWinner);
    }
}
