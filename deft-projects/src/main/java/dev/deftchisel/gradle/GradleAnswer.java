package dev.deftchisel.gradle;

import com.google.gson.JsonParser;
import dev.deftchisel.buildtool.BuildAnswers;
import dev.deftchisel.projectfile.ModuleEntry;
import dev.deftchisel.workspace.Build;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.GeneratedRoots;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Reads what Gradle itself said of a build. */
final class GradleAnswer {

    private static final String FILE = "Gradle's answer";
    /** What stands between the path of a project and the name of a source set that is a module of its own. */
    private static final char OF_SOURCE_SET = '/';

    private GradleAnswer() {
    }

    /** The build; empty, with the reason among the gaps, when it cannot be read. */
    static Optional<Workspace> workspace(BuildAnswers.Answer said, Path root, OpenRequest request, List<String> gaps) {
        Set<String> told = new LinkedHashSet<>(said.gaps());
        List<Module> modules = new ArrayList<>();
        try {
            for (Path file : said.files()) {
                Module module = new ModuleEntry(JsonParser.parseString(Files.readString(file)).getAsJsonObject(), root,
                        FILE).module(request, told::add);
                List<SourceRoot> roots = roots(module);
                if (roots.stream().anyMatch(SourceRoot::isJava)) {
                    modules.add(module.with(roots));
                }
            }
        } catch (IOException | RuntimeException unreadable) {
            gaps.add("what Gradle said cannot be read (" + unreadable.getMessage()
                    + "); have it said again with --ask-build");
            return Optional.empty();
        }
        modules.stream().flatMap(module -> module.dependencies().missing().stream()).distinct().sorted()
                .forEach(missing ->
                told.add(missing + " is not on this machine: names from it stay unresolved (have the build fetch it "
                        + "with --ask-build --online)"));
        return Optional.of(new Workspace(root, new Build("Gradle, as it says itself", said.inputs()), modules,
                List.copyOf(told)));
    }

    /**
     * Those that it said, and what generators left that are no compiler's: one module of a project has it, not those of
     * further source sets.
     */
    private static List<SourceRoot> roots(Module module) {
        if (module.name().indexOf(OF_SOURCE_SET) >= 0) {
            return module.roots();
        }
        List<SourceRoot> roots = new ArrayList<>(module.roots());
        GeneratedRoots.ofGradle(module.folder()).stream()
                .filter(root -> roots.stream().noneMatch(known -> known.folder().equals(root.folder())))
                .forEach(roots::add);
        return roots;
    }
}
