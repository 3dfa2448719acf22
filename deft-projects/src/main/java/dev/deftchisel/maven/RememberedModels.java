package dev.deftchisel.maven;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.maven.model.building.ModelCache;

/** The parents and lists of versions that the models of a build share, each read once. */
final class RememberedModels implements ModelCache {

    private final Map<List<String>, Object> known = new ConcurrentHashMap<>();

    @Override
    public void put(String groupId, String artifactId, String version, String tag, Object data) {
        known.put(List.of(groupId, artifactId, version, tag), data);
    }

    @Override
    public Object get(String groupId, String artifactId, String version, String tag) {
        return known.get(List.of(groupId, artifactId, version, tag));
    }
}
