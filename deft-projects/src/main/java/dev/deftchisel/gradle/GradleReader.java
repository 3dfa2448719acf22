package dev.deftchisel.gradle;

import dev.deftchisel.buildtool.BuildAnswers;
import dev.deftchisel.gradle.script.DependencyNotation;
import dev.deftchisel.gradle.script.GradleProject;
import dev.deftchisel.maven.Repositories;
import dev.deftchisel.workspace.Build;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.GeneratedRoots;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import dev.deftchisel.workspace.opening.ProjectReader;
import dev.deftchisel.workspace.opening.VersionFiles;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
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
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Opens a Gradle build, of one project or several, by what its scripts say plainly; nothing of it is run. */
public final class GradleReader implements ProjectReader {

    private static final String SPRING_BOOT = "org.springframework.boot";
    private static final String MANAGEMENT = "io.spring.dependency-management";
    /** Names of configurations with what code is compiled or run with; with the name of a source set before them. */
    private static final Pattern FOR_CODE = Pattern
            .compile("(?:\\w*)(?i:implementation|api|compileOnly|compileOnlyApi|runtimeOnly)"
            + "|compile|testCompile|providedCompile|developmentOnly|provided");
    /** Names of source sets, and how those of their configurations begin, in which everybody has tests. */
    private static final Pattern OF_TESTS = Pattern
            .compile("(?i)(?:test|it|integration|functional|acceptance|component|e2e|smoke|jmh|bench).*|.*(?:test|"
                    + "tests|fixtures|spec)");
    /** Configurations for main code; where it cannot be told, one is taken for that. */
    private static final Pattern FOR_MAIN = Pattern
            .compile("(?!(?i)test|it[A-Z]|integration|functional|acceptance|component|e2e|smoke|jmh|bench)(?:"
            + "\\w*(?i:implementation|api|compileOnly|compileOnlyApi)|compile|providedCompile|developmentOnly|"
            + "provided)");
    private static final Pattern FOR_USERS = Pattern.compile("api|compileOnlyApi|compile");
    private static final Pattern FOR_PROCESSORS = Pattern.compile("\\w*(?i:annotationProcessor)");

    @Override
    public int rank() {
        return 20;
    }

    @Override
    public boolean recognises(Path folder) {
        return GradleBuild.script(folder, "settings").isPresent() || GradleBuild.script(folder, "build").isPresent();
    }

    /** The nearest folder with settings, in which its projects are named. */
    @Override
    public Path rootOf(Path folder) {
        return Stream.<Path>iterate(folder, path -> path != null, Path::getParent)
                .filter(path -> GradleBuild.script(path, "settings").isPresent()).findFirst().orElse(folder);
    }

    @Override
    public Workspace read(Path folder, OpenRequest request) {
        List<String> gaps = new ArrayList<>();
        BuildAnswers.Answer said = new BuildAnswers(folder, new GradleTool()).get(request);
        Optional<Workspace> answered = said.isGiven() ? GradleAnswer.workspace(said, folder, request, gaps)
                : Optional.empty();
        gaps.addAll(said.gaps());
        return answered.orElseGet(() -> written(folder, request, gaps));
    }

    /** What the scripts say. */
    private static Workspace written(Path folder, OpenRequest request, List<String> gaps) {
        GradleBuild build = GradleBuild.read(folder);
        GradleResolver resolver = new GradleResolver(GradleCache.ofThisUser(),
                request.allows(Permission.FETCH_LIBRARIES));
        Map<String, Resolved> resolved = new HashMap<>();
        build.projects().forEach((path, project) -> resolved.put(path, resolve(project, resolver)));
        List<Module> modules = new ArrayList<>();
        build.gaps().forEach(gap -> gaps.add(gap
                + (gap.equals(build.gaps().get(0)) ? " (Gradle itself says it when it is asked: --ask-build)" : "")));
        build.projects().forEach((path, project) -> {
            List<SourceRoot> roots = roots(project);
            if (!roots.isEmpty()) {
                Set<String> upstream = new LinkedHashSet<>();
                Set<Library> libraries = new LinkedHashSet<>(resolved.get(path).libraries());
                used(path, resolved.get(path).projects().keySet(), resolved, upstream, libraries);
                Set<String> ofMain = new LinkedHashSet<>();
                Set<Library> ofUsers = new LinkedHashSet<>();
                used(path, resolved.get(path).forMain(), resolved, ofMain, ofUsers);
                // what only tests get from other projects is only theirs
                List<Library> seen = libraries.stream().map(library -> resolved.get(path).libraries().contains(library)
                        || ofUsers.contains(library)
                        ? library : new Library(library.file(), library.origin(), SourceRoot.Use.TEST))
                        .collect(Collectors.toCollection(ArrayList::new));
                seen.addAll(Dependencies.named(request.classPath()).libraries());
                Dependencies dependencies = new Dependencies(oncePerFile(seen), resolved.get(path).processors(),
                        resolved.get(path).missing());
                modules.add(new Module(path, project.folder(), roots, dependencies, upstream.stream()
                        .map(other -> ModuleUse.ofAll(other, ofMain.contains(other) ? SourceRoot.Use.MAIN
                                : SourceRoot.Use.TEST)).toList(),
                        request.level().map(JavaLevel::of).orElseGet(() -> java(project)),
                        request.encoding().orElseGet(() -> encoding(project))));
            }
        });
        resolved.values().stream().flatMap(one -> one.missing().stream()).distinct().sorted().forEach(missing ->
                gaps.add(missing + " is not on this machine: names from it stay unresolved"
                        + (request.allows(Permission.FETCH_LIBRARIES) ? "" : " (fetch it with --online)")));
        return new Workspace(folder, new Build("Gradle", build.files()), modules, gaps);
    }

    /**
     * What a project needs.
     *
     * @param exported libraries that its users are compiled with, too
     * @param projects other projects of the build, and whether its users see them, too
     * @param forMain  those of them that main code needs
     */
    private record Resolved(List<Library> libraries, List<Library> exported, List<Library> processors,
            List<String> missing,
            Map<String, Boolean> projects, Set<String> forMain) {
    }

    /** Main code goes first where a library is needed for several reasons. */
    private static List<Library> oncePerFile(List<Library> all) {
        Map<Path, Library> byFile = new LinkedHashMap<>();
        all.forEach(library -> byFile.merge(library.file(), library, (one, other) -> one.use() == SourceRoot.Use.MAIN
                ? one : other));
        return List.copyOf(byFile.values());
    }

    private static Resolved resolve(GradleProject project, GradleResolver resolver) {
        List<DependencyNotation> code = needs(project, FOR_CODE);
        List<DependencyNotation> processing = needs(project, FOR_PROCESSORS);
        Map<String, String> locked = locked(project.folder());
        locked.putAll(project.forced());
        Repositories.ClassPath found = resolver.resolve(published(code), project.managed(), locked);
        List<DependencyNotation> main = needs(project, FOR_MAIN);
        Set<Path> ofMain = resolver.resolve(published(main), project.managed(), locked).libraries().stream()
                .map(Library::file)
                .collect(Collectors.toSet());
        List<DependencyNotation> toUsers = needs(project, FOR_USERS);
        List<Library> exported = published(toUsers).isEmpty() ? List.of()
                : resolver.resolve(published(toUsers), project.managed(), locked).libraries();
        Repositories.ClassPath processors = published(processing).isEmpty() ? Repositories.ClassPath.EMPTY
                : resolver.resolve(Stream.concat(published(processing).stream(),
                published(code).stream().filter(DependencyNotation.Published::isPlatform)).toList(), project.managed(),
                locked);
        Map<String, Boolean> projects = new HashMap<>();
        code.stream().filter(DependencyNotation.Project.class::isInstance).map(DependencyNotation.Project.class::cast)
                .forEach(need ->
                projects.merge(need.path(), FOR_USERS.matcher(need.configuration()).matches(), Boolean::logicalOr));
        Set<String> forMain = main.stream().filter(DependencyNotation.Project.class::isInstance)
                .map(need -> ((DependencyNotation.Project) need).path()).collect(Collectors.toSet());
        List<Library> libraries = new ArrayList<>(found.libraries().stream()
                .map(library -> ofMain.contains(library.file()) ? library
                : new Library(library.file(), library.origin(), SourceRoot.Use.TEST)).toList());
        code.stream().filter(DependencyNotation.Files.class::isInstance).map(DependencyNotation.Files.class::cast)
                .forEach(need -> need.files().forEach(file ->
                libraries.add(new Library(file, "file of the build", main.contains(need) ? SourceRoot.Use.MAIN
                        : SourceRoot.Use.TEST))));
        List<String> missing = Stream.concat(found.missing().stream(), processors.missing().stream()).distinct()
                .toList();
        return new Resolved(libraries, exported, processors.libraries(), missing, projects, forMain);
    }

    /** All that configurations of a kind need, also by what they extend; platforms that come with plug-ins first. */
    private static List<DependencyNotation> needs(GradleProject project, Pattern kind) {
        Set<String> configurations = new LinkedHashSet<>();
        Set<DependencyNotation> all = new LinkedHashSet<>();
        String boot = project.plugins().get(SPRING_BOOT);
        if (boot != null && !boot.isEmpty() && project.plugins().containsKey(MANAGEMENT)) {
            DependencyNotation.published("implementation", SPRING_BOOT + ":spring-boot-dependencies:" + boot, true,
                    List.of())
                    .ifPresent(all::add);
        }
        project.needs().stream().map(DependencyNotation::configuration).filter(name -> kind.matcher(name).matches())
                .forEach(configurations::add);
        Stream.of("implementation", "compileOnly", "testImplementation", "annotationProcessor")
                .filter(name -> kind.matcher(name).matches()).forEach(configurations::add);
        Set<String> extended = new LinkedHashSet<>();
        configurations.forEach(name -> extended.addAll(project.configurationsOf(name)));
        project.needs().stream()
                .filter(need -> extended.contains(need.configuration())
                        || need instanceof DependencyNotation.Published platform && platform.isPlatform()
                        && kind != FOR_USERS)
                .forEach(all::add);
        return List.copyOf(all);
    }

    private static List<DependencyNotation.Published> published(List<DependencyNotation> needs) {
        return needs.stream().filter(DependencyNotation.Published.class::isInstance)
                .map(DependencyNotation.Published.class::cast).toList();
    }

    /** The versions of a lock file, by {@code group:name}. */
    private static Map<String, String> locked(Path folder) {
        Path file = folder.resolve("gradle.lockfile");
        Map<String, String> versions = new HashMap<>();
        if (Files.isRegularFile(file)) {
            try {
                for (String line : Files.readAllLines(file)) {
                    String[] parts = line.split("=")[0].split(":");
                    if (!line.startsWith("#") && parts.length == 3) {
                        versions.put(parts[0] + ":" + parts[1], parts[2]);
                    }
                }
            } catch (IOException unreadable) {
                return new HashMap<>();
            }
        }
        return versions;
    }

    /** Other projects that one sees, and the libraries that come with them. */
    private static void used(String path, Set<String> projects, Map<String, Resolved> resolved, Set<String> upstream,
            Set<Library> libraries) {
        for (String other : projects) {
            if (!other.equals(path) && resolved.containsKey(other) && upstream.add(other)) {
                libraries.addAll(resolved.get(other).exported());
                Set<String> exported = resolved.get(other).projects().entrySet().stream().filter(Map.Entry::getValue)
                        .map(Map.Entry::getKey)
                        .collect(Collectors.toCollection(LinkedHashSet::new));
                used(path, exported, resolved, upstream, libraries);
            }
        }
    }

    private static List<SourceRoot> roots(GradleProject project) {
        Set<String> names = new LinkedHashSet<>(List.of("main", "test"));
        if (project.plugins().containsKey("java-test-fixtures")) {
            names.add("testFixtures");
        }
        names.addAll(project.sourceSets().keySet());
        Set<SourceRoot> roots = new LinkedHashSet<>();
        for (String name : names) {
            SourceRoot.Use use = OF_TESTS.matcher(name).matches() ? SourceRoot.Use.TEST : SourceRoot.Use.MAIN;
            Optional<GradleProject.SourceSet> set = Optional.ofNullable(project.sourceSets().get(name));
            set.map(GradleProject.SourceSet::java).orElse(Set.of())
                    .forEach(folder -> add(roots, project, folder, use, SourceRoot.Kind.SOURCE));
            add(roots, project, "src/" + name + "/java", use, SourceRoot.Kind.SOURCE);
            set.map(GradleProject.SourceSet::resources).orElse(Set.of())
                    .forEach(folder -> add(roots, project, folder, use, SourceRoot.Kind.RESOURCE));
            add(roots, project, "src/" + name + "/resources", use, SourceRoot.Kind.RESOURCE);
        }
        GeneratedRoots.ofGradle(project.folder()).stream()
                .filter(root -> roots.stream().noneMatch(known -> known.folder().equals(root.folder())))
                .forEach(roots::add);
        return roots.stream().anyMatch(SourceRoot::isJava) ? List.copyOf(roots) : List.of();
    }

    private static void add(Set<SourceRoot> roots, GradleProject project, String folder, SourceRoot.Use use,
            SourceRoot.Kind kind) {
        Path path = project.folder().resolve(folder).normalize();
        if (Files.isDirectory(path)) {
            boolean isBuilt = path.startsWith(project.folder().resolve("build"));
            roots.add(new SourceRoot(path, use, isBuilt && kind == SourceRoot.Kind.SOURCE ? SourceRoot.Kind.GENERATED
                    : kind));
        }
    }

    /** What is said for the compiler goes before the JDK that the build runs it with. */
    private static JavaLevel java(GradleProject project) {
        List<String> options = JavaLevel.options(project.options());
        Optional<Integer> toolchain = project.level(GradleProject.Level.TOOLCHAIN);
        return project.level(GradleProject.Level.RELEASE)
                .map(level -> new JavaLevel(level, JavaLevel.Api.LEVEL, options))
                .or(() -> project.level(GradleProject.Level.SOURCE).map(level -> new JavaLevel(level,
                        toolchain.filter(level::equals).isPresent() ? JavaLevel.Api.LEVEL
                        : JavaLevel.Api.COMPILER, options)))
                .or(() -> toolchain.map(level -> new JavaLevel(level, JavaLevel.Api.LEVEL, options)))
                .or(() -> VersionFiles.level(project.folder())
                        .map(level -> new JavaLevel(level, JavaLevel.Api.LEVEL, options)))
                .orElseGet(() -> new JavaLevel(Runtime.version().feature(), JavaLevel.Api.COMPILER, options));
    }

    private static Charset encoding(GradleProject project) {
        try {
            return project.encoding().map(Charset::forName).orElse(StandardCharsets.UTF_8);
        } catch (IllegalArgumentException unknown) {
            return StandardCharsets.UTF_8;
        }
    }
}
