package dev.deftchisel.maven;

import dev.deftchisel.workspace.Library;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipFile;
import org.apache.maven.model.Dependency;
import org.apache.maven.model.Model;
import org.codehaus.plexus.util.xml.Xpp3Dom;
import org.eclipse.aether.artifact.DefaultArtifact;

/** Finds the annotation processors that a build has its compiler run. */
final class ProcessorPath {

    private static final String SERVICE = "META-INF/services/javax.annotation.processing.Processor";

    private final Repositories repositories;
    /** Whether an archive has processors, once for all modules. */
    private final Map<Path, Boolean> known = new HashMap<>();

    ProcessorPath(Repositories repositories) {
        this.repositories = repositories;
    }

    /**
     * Those on the path that the compiler plugin is given, with what they need; without one, those on the class path.
     *
     * @param libraries the class path
     */
    Repositories.ClassPath of(Model model, List<Library> libraries) {
        CompilerSettings settings = CompilerSettings.of(model);
        if (settings.text("proc").filter("none"::equals).isPresent()) {
            return Repositories.ClassPath.EMPTY;
        }
        List<Xpp3Dom> paths = settings.children("annotationProcessorPaths");
        if (paths.isEmpty()) {
            return new Repositories.ClassPath(libraries.stream().filter(this::hasProcessors).toList(), List.of(),
                    List.of());
        }
        List<org.eclipse.aether.graph.Dependency> wanted = paths.stream()
                .map(path -> repositories.converted(dependency(path, model))).toList();
        return repositories.classPath(new DefaultArtifact("deft:processors:pom:1"), wanted, repositories.managed(model),
                repositories.remotes(model.getRepositories()));
    }

    private static Dependency dependency(Xpp3Dom path, Model model) {
        Dependency dependency = new Dependency();
        text(path, "groupId").ifPresent(dependency::setGroupId);
        text(path, "artifactId").ifPresent(dependency::setArtifactId);
        text(path, "classifier").ifPresent(dependency::setClassifier);
        text(path, "type").ifPresent(dependency::setType);
        text(path, "version").or(() -> Optional.ofNullable(model.getDependencyManagement())
                .flatMap(managed -> managed.getDependencies().stream()
                .filter(one -> one.getManagementKey().equals(dependency.getManagementKey())).map(Dependency::getVersion)
                .findFirst()))
                .ifPresent(dependency::setVersion);
        return dependency;
    }

    private static Optional<String> text(Xpp3Dom path, String name) {
        return Optional.ofNullable(path.getChild(name)).map(Xpp3Dom::getValue).map(String::strip)
                .filter(value -> !value.isEmpty());
    }

    private boolean hasProcessors(Library library) {
        return known.computeIfAbsent(library.file(), file -> {
            if (!Files.isRegularFile(file)) {
                return Files.isRegularFile(file.resolve(SERVICE));
            }
            try (ZipFile archive = new ZipFile(file.toFile())) {
                return archive.getEntry(SERVICE) != null;
            } catch (IOException broken) {
                return false;
            }
        });
    }
}
