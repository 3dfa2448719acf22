package dev.deftchisel.maven;

import dev.deftchisel.workspace.Build;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.FolderReader;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.OpenRequest;
import dev.deftchisel.workspace.ProjectReader;
import dev.deftchisel.workspace.Workspace;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.apache.maven.model.Dependency;
import org.apache.maven.model.Model;
import org.apache.maven.model.building.ModelBuildingException;

/** Opens a folder with a {@code pom.xml}: the project and the modules below it. */
public final class MavenReader implements ProjectReader {

    private static final String POM = "pom.xml";

    @Override
    public int rank() {
        return 10;
    }

    @Override
    public boolean recognises(Path folder) {
        return Files.isRegularFile(folder.resolve(POM));
    }

    @Override
    public Workspace read(Path folder, OpenRequest request) {
        Repositories repositories = Repositories.open(request.online());
        Map<String, Model> models = new LinkedHashMap<>();
        List<String> gaps = new ArrayList<>();
        try {
            collect(folder.resolve(POM), repositories, models);
        } catch (ModelBuildingException unreadable) {
            return withoutModel(folder, request, unreadable);
        }
        Map<String, Resolved> resolved = new LinkedHashMap<>();
        models.forEach((key, model) -> resolved.put(key, resolve(model, models, repositories)));
        List<Module> modules = new ArrayList<>();
        models.forEach((key, model) -> {
            Set<String> upstream = upstream(key, resolved);
            Set<Library> libraries = new LinkedHashSet<>(resolved.get(key).libraries());
            upstream.forEach(other -> libraries.addAll(resolved.get(other).libraries()));
            libraries.addAll(Dependencies.named(request.classPath()).libraries());
            Dependencies dependencies = new Dependencies(List.copyOf(libraries), List.of(), resolved.get(key).missing());
            modules.add(MavenModule.of(model, key, dependencies, List.copyOf(upstream), request));
        });
        resolved.values().stream().flatMap(one -> one.missing().stream()).distinct().forEach(missing ->
                gaps.add(missing + " is not on this machine: names from it stay unresolved"
                        + (request.online() ? "" : " (fetch it with --online)")));
        return new Workspace(folder, new Build("Maven", files(models.values())), modules.stream().filter(module -> !module.roots().isEmpty()).toList(), gaps);
    }

    /** What a module needs from outside the workspace, and which other modules of it. */
    private record Resolved(List<Library> libraries, List<String> missing, List<String> direct) {
    }

    private static void collect(Path pom, Repositories repositories, Map<String, Model> models)
            throws ModelBuildingException {
        Model model = repositories.effectiveModel(pom);
        models.put(key(model.getGroupId(), model.getArtifactId()), model);
        for (String module : model.getModules()) {
            Path child = pom.resolveSibling(module).normalize();
            Path childPom = Files.isDirectory(child) ? child.resolve(POM) : child;
            if (Files.isRegularFile(childPom)) {
                collect(childPom, repositories, models);
            }
        }
    }

    private static List<Path> files(Collection<Model> models) {
        return models.stream().map(Model::getPomFile).filter(Objects::nonNull).map(File::toPath).toList();
    }

    private static String key(String groupId, String artifactId) {
        return groupId + ":" + artifactId;
    }

    private static Resolved resolve(Model model, Map<String, Model> models, Repositories repositories) {
        List<Dependency> outside = new ArrayList<>();
        List<String> direct = new ArrayList<>();
        for (Dependency dependency : model.getDependencies()) {
            String key = key(dependency.getGroupId(), dependency.getArtifactId());
            if (models.containsKey(key)) {
                direct.add(key);
            } else {
                outside.add(dependency);
            }
        }
        Repositories.ClassPath classPath = repositories.classPath(model, outside);
        return new Resolved(classPath.libraries(), classPath.missing(), direct);
    }

    /** The modules a module uses, directly or through others. */
    private static Set<String> upstream(String key, Map<String, Resolved> resolved) {
        Set<String> found = new LinkedHashSet<>();
        List<String> open = new ArrayList<>(resolved.get(key).direct());
        while (!open.isEmpty()) {
            String next = open.remove(open.size() - 1);
            if (!next.equals(key) && found.add(next)) {
                open.addAll(resolved.get(next).direct());
            }
        }
        return found;
    }

    /** A project whose model cannot be had, for instance since its parent is not here, still has its folders. */
    private static Workspace withoutModel(Path folder, OpenRequest request, ModelBuildingException unreadable) {
        Workspace plain = new FolderReader().read(folder, request);
        List<String> gaps = new ArrayList<>(plain.gaps());
        String why = unreadable.getProblems().isEmpty()
                ? unreadable.getMessage()
                : unreadable.getProblems().get(0).getMessage();
        gaps.add("pom.xml cannot be read in full (" + why.replaceAll("\\s+", " ")
                + "): source folders are taken by convention and libraries are unknown");
        return new Workspace(plain.root(), plain.modules(), gaps);
    }
}
