package dev.deftchisel.gradle;

import dev.deftchisel.gradle.script.DependencyNotation;
import dev.deftchisel.maven.Repositories;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.maven.model.Model;
import org.apache.maven.model.building.ModelBuildingException;
import org.eclipse.aether.artifact.Artifact;
import org.eclipse.aether.artifact.DefaultArtifact;
import org.eclipse.aether.graph.Dependency;
import org.eclipse.aether.graph.Exclusion;
import org.eclipse.aether.repository.RemoteRepository;
import org.eclipse.aether.resolution.ArtifactRequest;
import org.eclipse.aether.resolution.ArtifactResolutionException;
import org.eclipse.aether.util.version.GenericVersionScheme;
import org.eclipse.aether.version.InvalidVersionSpecificationException;
import org.eclipse.aether.version.Version;

/**
 * Finds the libraries that a project needs, with what they need themselves: in Gradle's cache, in Maven's local
 * repository and, when allowed, where Maven looks when nothing else is said.
 */
final class GradleResolver {

    /** {@code 1.+}, {@code latest.release}, {@code [1,2)}: the newest that is here is taken. */
    private static final Pattern OPEN_VERSION = Pattern.compile(".*\\+|latest\\..*|[\\[(\\]].*");

    private final GradleCache cache;
    private final Repositories repositories;
    private final List<RemoteRepository> remotes;
    private final Map<ResolutionKey, Repositories.ClassPath> resolved = new HashMap<>();
    /** The versions that a platform says, by its coordinates; empty where it is not here. */
    private final Map<String, Optional<List<Dependency>>> platforms = new HashMap<>();

    GradleResolver(GradleCache cache, boolean online) {
        this.cache = cache;
        this.repositories = Repositories.withNewest(online, cache);
        try {
            this.remotes = repositories.remotes(repositories.standardModel().getRepositories());
        } catch (ModelBuildingException impossible) {
            throw new IllegalStateException("the model that Maven itself brings can be built", impossible);
        }
    }

    /**
     * What is found, and the coordinates of what is not.
     *
     * @param needs   in the order in which they are said; platforms among them
     * @param managed versions said apart
     * @param locked  versions of a lock file by {@code group:name}
     */
    Repositories.ClassPath resolve(List<DependencyNotation.Published> needs, List<DependencyNotation.Published> managed,
            Map<String, String> locked) {
        return resolved.computeIfAbsent(new ResolutionKey(needs, managed, locked), this::resolve);
    }

    /** Projects of a build often need the same. */
    private record ResolutionKey(List<DependencyNotation.Published> needs, List<DependencyNotation.Published> managed,
            Map<String, String> locked) {
    }

    private Repositories.ClassPath resolve(ResolutionKey asked) {
        List<DependencyNotation.Published> needs = asked.needs();
        Map<String, String> locked = asked.locked();
        Map<String, Dependency> versions = new LinkedHashMap<>();
        Set<String> missing = new LinkedHashSet<>();
        for (DependencyNotation.Published platform : needs.stream().filter(DependencyNotation.Published::isPlatform)
                .toList()) {
            Optional<List<Dependency>> said = platform(platform);
            if (said.isEmpty()) {
                missing.add(shown(platform) + " (a platform, which says versions)");
            }
            said.orElse(List.of()).forEach(dependency -> versions.putIfAbsent(key(dependency.getArtifact()),
                    dependency));
        }
        asked.managed().forEach(one -> one.version()
                .ifPresent(version -> versions.put(key(one), dependency(one, version))));
        locked.forEach((module, version) -> versions.put(module, new Dependency(
                new DefaultArtifact(module + ":" + version), "compile")));
        List<Dependency> wanted = new ArrayList<>();
        for (DependencyNotation.Published need : needs) {
            if (need.isPlatform()) {
                continue;
            }
            Optional<String> version = Optional.ofNullable(locked.get(key(need)))
                    .or(() -> need.version().map(said -> isOpen(said) ? newest(need).orElse(said) : said))
                    .or(() -> Optional.ofNullable(versions.get(key(need)))
                            .map(dependency -> dependency.getArtifact().getVersion()))
                    .or(() -> newest(need));
            if (version.isPresent()) {
                wanted.add(dependency(need, version.get()));
            } else {
                missing.add(shown(need) + " (its version is not said)");
            }
        }
        Repositories.ClassPath found = repositories.classPath(new DefaultArtifact("deft:project:pom:1"), wanted,
                List.copyOf(versions.values()), remotes);
        missing.addAll(found.missing());
        return new Repositories.ClassPath(found.libraries(), List.of(), List.copyOf(missing));
    }

    private static boolean isOpen(String version) {
        return OPEN_VERSION.matcher(version).matches();
    }

    private static String key(DependencyNotation.Published need) {
        return need.coordinates().group() + ":" + need.coordinates().name();
    }

    private static String key(Artifact artifact) {
        return artifact.getGroupId() + ":" + artifact.getArtifactId();
    }

    private static String shown(DependencyNotation.Published need) {
        return key(need) + need.version().map(version -> ":" + version).orElse("");
    }

    private static Dependency dependency(DependencyNotation.Published need, String version) {
        DependencyNotation.Module module = need.coordinates();
        List<Exclusion> exclusions = need.exclusions().stream().map(exclusion -> exclusion.split(":"))
                .map(parts -> new Exclusion(parts[0], parts[1], "*", "*")).toList();
        return new Dependency(new DefaultArtifact(module.group(), module.name(), module.classifier(),
                module.extension(), version),
                "compile", false, exclusions);
    }

    /** The newest version that is on this machine. */
    private Optional<String> newest(DependencyNotation.Published need) {
        DependencyNotation.Module module = need.coordinates();
        Path local = repositories.folder().resolve(module.group().replace('.', '/')).resolve(module.name());
        return Stream.concat(cache.versions(module.group(), module.name()).stream(), folders(local))
                .filter(version -> need.version().filter(said -> said.endsWith("+"))
                        .map(said -> version.startsWith(said.substring(0, said.length() - 1))).orElse(true))
                .max((one, other) -> version(one).compareTo(version(other)));
    }

    private static Stream<String> folders(Path folder) {
        if (!Files.isDirectory(folder)) {
            return Stream.empty();
        }
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(Files::isDirectory).map(path -> path.getFileName().toString()).toList().stream();
        } catch (IOException unreadable) {
            return Stream.empty();
        }
    }

    private static Version version(String text) {
        try {
            return new GenericVersionScheme().parseVersion(text);
        } catch (InvalidVersionSpecificationException impossible) {
            throw new IllegalStateException("any text is a version", impossible);
        }
    }

    private Optional<List<Dependency>> platform(DependencyNotation.Published need) {
        String version = need.version().orElse("");
        return platforms.computeIfAbsent(key(need) + ":" + version, coordinates -> {
            DependencyNotation.Module module = need.coordinates();
            ArtifactRequest request = new ArtifactRequest(
                    new DefaultArtifact(module.group(), module.name(), "pom", version), remotes, null);
            try {
                Model model = repositories.effectiveModel(
                        repositories.system().resolveArtifact(repositories.session(), request).getArtifact().getFile()
                        .toPath());
                return Optional.of(repositories.managed(model));
            } catch (ArtifactResolutionException | ModelBuildingException absent) {
                return Optional.empty();
            }
        });
    }
}
