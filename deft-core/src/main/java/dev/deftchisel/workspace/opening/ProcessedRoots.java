package dev.deftchisel.workspace.opening;

import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.surroundings.StateFolder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/**
 * Has modules with annotation processors keep what these make in a folder of our own, in place of what the build left.
 */
public final class ProcessedRoots {

    /** Where Maven and Gradle leave it. */
    private static final Pattern OF_BUILD = Pattern
            .compile(".*[/\\\\](generated-sources[/\\\\]annotations|generated-test-sources[/\\\\]test-annotations|"
                    + "annotationProcessor[/\\\\]java[/\\\\]\\w+)");

    private ProcessedRoots() {
    }

    /**
     * The workspace with such roots.
     *
     * @param isRun whether a processor is one that is to be run
     */
    public static Workspace in(Workspace workspace, Predicate<Library> isRun) {
        List<Module> modules = new ArrayList<>();
        for (Module module : workspace.modules()) {
            modules.add(module.dependencies().processors().stream().anyMatch(isRun) ? with(module, workspace) : module);
        }
        return new Workspace(workspace.root(), workspace.build(), modules, workspace.gaps());
    }

    private static Module with(Module module, Workspace workspace) {
        List<SourceRoot> roots = new ArrayList<>(module.roots().stream()
                .filter(root -> root.kind() != SourceRoot.Kind.GENERATED || !OF_BUILD.matcher(root.folder().toString())
                        .matches()).toList());
        Path folder = new StateFolder(workspace).path().resolve("processed")
                .resolve(module.name().replaceAll("[^\\w.-]", "_"));
        for (SourceRoot.Use use : SourceRoot.Use.values()) {
            if (module.roots().stream().anyMatch(root -> root.isJava() && root.use() == use)) {
                roots.add(new SourceRoot(folder.resolve(use.name().toLowerCase(Locale.ROOT)), use,
                        SourceRoot.Kind.PROCESSED));
            }
        }
        return module.with(roots);
    }
}
