package dev.deftchisel.workspace.surroundings;

import dev.deftchisel.workspace.WorkspaceException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.ec4j.core.Cache.Caches;
import org.ec4j.core.Resource.Resources;
import org.ec4j.core.ResourcePath.ResourcePaths;
import org.ec4j.core.ResourceProperties;
import org.ec4j.core.ResourcePropertiesService;

/**
 * What the {@code .editorconfig} files of a workspace say (EditorConfig 0.17). Each of them is read once; to see what
 * was changed since, make another.
 */
public final class EditorProperties {

    private final ResourcePropertiesService service;

    /** @param root of the workspace; nothing above it is read */
    public EditorProperties(Path root) {
        this.service = ResourcePropertiesService.builder()
                .cache(Caches.permanent())
                .rootDirectory(ResourcePaths.ofPath(root, StandardCharsets.UTF_8))
                .build();
    }

    /**
     * What is said of a file, which need not be there yet: values by names in lower case.
     *
     * @param file absolute
     * @throws WorkspaceException when an {@code .editorconfig} cannot be read
     */
    public Map<String, String> of(Path file) {
        Map<String, String> said = new HashMap<>();
        query(file).getProperties().forEach((name, property) -> said.put(name, property.getSourceValue()));
        return Map.copyOf(said);
    }

    ResourceProperties query(Path file) {
        try {
            return service.queryProperties(Resources.ofPath(file, StandardCharsets.UTF_8));
        } catch (IOException failed) {
            throw new WorkspaceException("the .editorconfig for " + file + " cannot be read: " + failed.getMessage(),
                    failed);
        }
    }
}
