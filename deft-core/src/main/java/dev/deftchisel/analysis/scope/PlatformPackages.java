package dev.deftchisel.analysis.scope;

import dev.deftchisel.analysis.compiler.ForwardingStandardFileManager;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.tools.JavaFileObject;
import javax.tools.StandardJavaFileManager;

/**
 * Remembers what is in the packages of the platform, which never changes while it runs, so that not every analysis has
 * to list them again.
 */
final class PlatformPackages extends ForwardingStandardFileManager {

    private static final String PLATFORM = "SYSTEM_MODULES";

    private final Map<PackageListing, List<JavaFileObject>> known = new HashMap<>();

    PlatformPackages(StandardJavaFileManager manager) {
        super(manager);
    }

    private record PackageListing(Location location, String packageName, Set<JavaFileObject.Kind> kinds) {
    }

    @Override
    public Iterable<JavaFileObject> list(
            Location location, String packageName, Set<JavaFileObject.Kind> kinds, boolean recurse) throws IOException {
        if (recurse || !location.getName().startsWith(PLATFORM)) {
            return super.list(location, packageName, kinds, recurse);
        }
        PackageListing asked = new PackageListing(location, packageName, Set.copyOf(kinds));
        List<JavaFileObject> listed = known.get(asked);
        if (listed == null) {
            List<JavaFileObject> found = new ArrayList<>();
            super.list(location, packageName, kinds, false).forEach(found::add);
            listed = List.copyOf(found);
            known.put(asked, listed);
        }
        return listed;
    }
}
