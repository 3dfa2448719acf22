package dev.deftchisel.maven;

import dev.deftchisel.buildtool.BuildAnswers;
import dev.deftchisel.maven.settings.MavenConfig;
import dev.deftchisel.maven.settings.MavenSettings;
import dev.deftchisel.workspace.Build;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.FolderReader;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import dev.deftchisel.workspace.opening.ProjectReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/** Opens a folder with a {@code pom.xml}: the project and the modules below it. */
public final class MavenReader implements ProjectReader {

    @Override
    public int rank() {
        return 10;
    }

    @Override
    public boolean recognises(Path folder) {
        return Files.isRegularFile(folder.resolve(MavenModels.POM));
    }

    @Override
    public Workspace read(Path folder, OpenRequest request) {
        MavenSettings settings = MavenSettings.of(MavenConfig.around(folder));
        Repositories repositories = Repositories.open(settings, request.allows(Permission.FETCH_LIBRARIES));
        BuildAnswers.Answer said = new BuildAnswers(folder, new MavenTool()).get(request);
        MavenModels models = said.isGiven() ? MavenModels.answered(said.files())
                : MavenModels.read(folder.resolve(MavenModels.POM), repositories);
        List<String> gaps = new ArrayList<>(settings.gaps());
        gaps.addAll(said.gaps());
        gaps.addAll(models.gaps());
        Reactor reactor = new Reactor(List.copyOf(models.all().values()));
        repositories.lookIn(reactor);
        Map<String, Repositories.ClassPath> resolved = new LinkedHashMap<>();
        models.all().forEach((key, model) -> resolved.put(key, repositories.classPath(model)));
        ProcessorPath processors = new ProcessorPath(repositories);
        List<Module> modules = new ArrayList<>();
        models.all().forEach((key, model) -> {
            Repositories.ClassPath found = resolved.get(key);
            Set<Library> libraries = new LinkedHashSet<>(found.libraries());
            libraries.addAll(Dependencies.named(request.classPath()).libraries());
            Repositories.ClassPath processing = processors.of(model, found.libraries());
            modules.add(MavenModule.of(model, key, new Dependencies(List.copyOf(libraries), processing.libraries(),
                            Stream.concat(found.missing().stream(), processing.missing().stream()).distinct().toList()),
                    uses(key, found, reactor), request));
        });
        models.broken().forEach(pom -> modules.addAll(byFolders(pom.getParent(), folder, request,
                List.copyOf(models.all().keySet()))));
        gaps.addAll(cycles(resolved, reactor));
        models.all().values().stream().filter(model -> model.getPackaging().startsWith("eclipse-")).findFirst()
                .ifPresent(model ->
                gaps.add("modules of the packaging " + model.getPackaging()
                        + " say what they need in files that are not read"));
        modules.stream().flatMap(module -> module.dependencies().missing().stream()).distinct().forEach(missing ->
                gaps.add(missing + " is not on this machine: names from it stay unresolved"
                        + (request.allows(Permission.FETCH_LIBRARIES) ? "" : " (fetch it with --online)")));
        List<Path> files = Stream.of(models.all().values().stream().map(model -> model.getPomFile().toPath()),
                models.broken().stream(),
                said.inputs().stream()).flatMap(Function.identity()).toList();
        return new Workspace(folder, new Build(said.isGiven() ? "Maven, as it says itself" : "Maven", files),
                modules.stream().filter(module -> !module.roots().isEmpty()).toList(), gaps);
    }

    /** The modules of this build that one needs. */
    private static List<ModuleUse> uses(String key, Repositories.ClassPath found, Reactor reactor) {
        Map<String, ModuleUse> uses = new LinkedHashMap<>();
        for (Repositories.Made made : found.reactor()) {
            reactor.module(made.artifact()).map(MavenModels::key).filter(other -> !other.equals(key)).ifPresent(other ->
                    uses.merge(other, new ModuleUse(other, made.use(), made.isTests() ? Optional.of(made.use())
                            : Optional.empty()), ModuleUse::and));
        }
        return List.copyOf(uses.values());
    }

    /** Modules that need each other, which Maven refuses to build. */
    private static List<String> cycles(Map<String, Repositories.ClassPath> resolved, Reactor reactor) {
        List<String> found = new ArrayList<>();
        resolved.forEach((key, classPath) -> uses(key, classPath, reactor).stream().map(ModuleUse::name)
                .filter(other -> other.compareTo(key) > 0
                        && uses(other, resolved.get(other), reactor).stream().anyMatch(back -> back.name().equals(key)))
                .forEach(other -> found.add("the modules " + key + " and " + other
                        + " need each other; Maven does not build that")));
        return found;
    }

    /** A project whose model cannot be had, for instance since its parent is not here, still has its folders. */
    private static List<Module> byFolders(Path project, Path root, OpenRequest request, List<String> others) {
        return new FolderReader().read(project, request).modules().stream()
                .map(module -> project.equals(root) ? module : new Module(
                        String.valueOf(root.relativize(module.folder())), module.folder(), module.roots(),
                        module.dependencies(), others.stream().map(other -> ModuleUse.ofAll(other, SourceRoot.Use.MAIN))
                        .toList(),
                        module.java(), module.encoding()))
                .toList();
    }
}
