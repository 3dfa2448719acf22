package dev.deftchisel.maven;

import dev.deftchisel.maven.probe.ProjectProbe;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.opening.GeneratedRoots;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.File;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.nio.charset.UnsupportedCharsetException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.maven.model.Model;
import org.apache.maven.model.PluginExecution;
import org.apache.maven.model.Resource;
import org.codehaus.plexus.util.xml.Xpp3Dom;

/** Reads off an effective model what a {@link Module} says. */
final class MavenModule {

    /** What the compiler plugin compiles for by default. */
    private static final int STANDARD_LEVEL = 8;

    private MavenModule() {
    }

    static Module of(Model model, String name, Dependencies dependencies, List<ModuleUse> uses,
            OpenRequest request) {
        Path folder = model.getProjectDirectory().toPath().toAbsolutePath().normalize();
        return new Module(name, folder, roots(model, folder), dependencies, uses,
                request.level().map(JavaLevel::of).orElseGet(() -> java(model)),
                request.encoding().orElseGet(() -> encoding(model)));
    }

    private static List<SourceRoot> roots(Model model, Path folder) {
        List<SourceRoot> roots = new ArrayList<>();
        folders(model, ProjectProbe.SOURCES, model.getBuild().getSourceDirectory())
                .forEach(directory -> add(roots, folder, directory, SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE));
        folders(model, ProjectProbe.TESTS, model.getBuild().getTestSourceDirectory())
                .forEach(directory -> add(roots, folder, directory, SourceRoot.Use.TEST, SourceRoot.Kind.SOURCE));
        model.getBuild().getResources().stream().map(Resource::getDirectory).filter(Objects::nonNull)
                .forEach(directory -> add(roots, folder, directory, SourceRoot.Use.MAIN, SourceRoot.Kind.RESOURCE));
        model.getBuild().getTestResources().stream().map(Resource::getDirectory).filter(Objects::nonNull)
                .forEach(directory -> add(roots, folder, directory, SourceRoot.Use.TEST, SourceRoot.Kind.RESOURCE));
        added(model, "add-source")
                .forEach(directory -> add(roots, folder, directory, SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE));
        added(model, "add-test-source")
                .forEach(directory -> add(roots, folder, directory, SourceRoot.Use.TEST, SourceRoot.Kind.SOURCE));
        Path target = folder.resolve(Objects.requireNonNullElse(model.getBuild().getDirectory(), "target"));
        generated(roots, target.resolve("generated-sources"), SourceRoot.Use.MAIN);
        generated(roots, target.resolve("generated-test-sources"), SourceRoot.Use.TEST);
        return roots;
    }

    /** The folders that Maven itself said, or the one in the model. */
    private static List<String> folders(Model model, String said, String named) {
        String path = model.getProperties().getProperty(said);
        if (path != null) {
            return List.of(path.split(Pattern.quote(File.pathSeparator)));
        }
        return named == null ? List.of() : List.of(named);
    }

    private static void generated(List<SourceRoot> roots, Path folder, SourceRoot.Use use) {
        GeneratedRoots.in(folder, use).stream().filter(root -> roots.stream()
                .noneMatch(known -> known.folder().equals(root.folder()))).forEach(roots::add);
    }

    /** The folders that the plug-in for such things adds by one of its goals. */
    private static List<String> added(Model model, String goal) {
        return model.getBuild().getPlugins().stream()
                .filter(plugin -> plugin.getArtifactId().equals("build-helper-maven-plugin"))
                .flatMap(plugin -> plugin.getExecutions().stream())
                .filter(execution -> execution.getGoals().contains(goal))
                .map(PluginExecution::getConfiguration).filter(Xpp3Dom.class::isInstance)
                .map(configuration -> ((Xpp3Dom) configuration).getChild("sources"))
                .filter(Objects::nonNull).flatMap(sources -> Stream.of(sources.getChildren())).map(Xpp3Dom::getValue)
                .filter(Objects::nonNull)
                .map(String::strip).toList();
    }

    private static void add(
            List<SourceRoot> roots, Path folder, String directory, SourceRoot.Use use, SourceRoot.Kind kind) {
        if (!directory.isEmpty()) {
            Path path = folder.resolve(directory).normalize();
            Path target = folder.resolve("target");
            SourceRoot root = new SourceRoot(path, use, kind == SourceRoot.Kind.SOURCE && path.startsWith(target)
                    ? SourceRoot.Kind.GENERATED : kind);
            if (Files.isDirectory(path) && roots.stream()
                    .noneMatch(known -> known.folder().equals(path) && known.kind() == root.kind())) {
                roots.add(root);
            }
        }
    }

    private static JavaLevel java(Model model) {
        CompilerSettings settings = CompilerSettings.of(model);
        return settings.number("release").map(level -> new JavaLevel(level, JavaLevel.Api.LEVEL, settings.options()))
                .orElseGet(() -> new JavaLevel(settings.number("source").orElse(STANDARD_LEVEL), JavaLevel.Api.COMPILER,
                        settings.options()));
    }

    private static Charset encoding(Model model) {
        String name = model.getProperties().getProperty("project.build.sourceEncoding");
        try {
            return name == null ? StandardCharsets.UTF_8 : Charset.forName(name);
        } catch (IllegalCharsetNameException | UnsupportedCharsetException unknown) {
            return StandardCharsets.UTF_8;
        }
    }
}
