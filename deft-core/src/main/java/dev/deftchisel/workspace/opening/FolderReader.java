package dev.deftchisel.workspace.opening;

import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Reads a tree by the folders that Gradle and Maven share by convention ({@code src/main/java}, {@code src/test/java}
 * …), for builds whose model cannot be read without running them. Each folder with such a {@code src} is a module, and
 * every module sees every other.
 */
public final class FolderReader implements ProjectReader {

    private static final int DEPTH = 4;
    private static final Pattern LEVEL = Pattern.compile(
            "(?:sourceCompatibility|targetCompatibility|options\\.release|languageVersion)[^\\n]*?(?:1\\.)?(\\d+)");

    @Override
    public int rank() {
        return 100;
    }

    @Override
    public boolean recognises(Path folder) {
        return Stream.of("settings.gradle", "settings.gradle.kts", "build.gradle", "build.gradle.kts")
                .anyMatch(name -> Files.isRegularFile(folder.resolve(name)))
                || Files.isDirectory(folder.resolve("src/main/java"));
    }

    @Override
    public Workspace read(Path folder, OpenRequest request) {
        List<Path> projects = projects(folder);
        List<String> names = projects.stream().map(project -> name(folder, project)).toList();
        List<Library> libraries = new ArrayList<>(Dependencies.named(request.classPath()).libraries());
        Stream.of("lib", "libs").forEach(name -> archives(folder.resolve(name))
                .forEach(file -> libraries.add(new Library(file, name))));
        List<Module> modules = new ArrayList<>();
        for (Path project : projects) {
            String name = name(folder, project);
            modules.add(new Module(name, project, roots(project), new Dependencies(libraries, List.of(), List.of()),
                    names.stream().filter(other -> !other.equals(name))
                    .map(other -> ModuleUse.ofAll(other, SourceRoot.Use.MAIN)).toList(),
                    request.level().map(JavaLevel::of).orElseGet(() -> level(project, folder)),
                    request.encoding().orElse(StandardCharsets.UTF_8)));
        }
        List<String> gaps = request.classPath().isEmpty() && Files.isRegularFile(folder.resolve("build.gradle"))
                ? List.of("build.gradle is not run, so its libraries are unknown: names from them stay unresolved"
                        + " (give them with --class-path)")
                : List.of();
        return new Workspace(folder, modules, gaps);
    }

    private static String name(Path folder, Path project) {
        return project.equals(folder) ? String.valueOf(folder.getFileName()) : folder.relativize(project).toString();
    }

    private static List<Path> projects(Path folder) {
        try (Stream<Path> paths = Files.walk(folder, DEPTH)) {
            return paths.filter(path -> Files.isDirectory(path.resolve("src/main/java"))
                            || Files.isDirectory(path.resolve("src/test/java")))
                    .sorted()
                    .toList();
        } catch (IOException failed) {
            throw new WorkspaceException(folder + " cannot be listed: " + failed.getMessage(), failed);
        }
    }

    private static List<SourceRoot> roots(Path project) {
        return Stream.of(
                new SourceRoot(project.resolve("src/main/java"), SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE),
                new SourceRoot(project.resolve("build/generated/sources/annotationProcessor/java/main"),
                        SourceRoot.Use.MAIN, SourceRoot.Kind.GENERATED),
                new SourceRoot(project.resolve("src/main/resources"), SourceRoot.Use.MAIN, SourceRoot.Kind.RESOURCE),
                new SourceRoot(project.resolve("src/test/java"), SourceRoot.Use.TEST, SourceRoot.Kind.SOURCE),
                new SourceRoot(project.resolve("src/test/resources"), SourceRoot.Use.TEST, SourceRoot.Kind.RESOURCE))
                .filter(root -> Files.isDirectory(root.folder()))
                .toList();
    }

    private static List<Path> archives(Path folder) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.toString().endsWith(".jar")).sorted().toList();
        } catch (IOException unreadable) {
            return List.of();
        }
    }

    /** The level a Gradle build file names, or that of the running JDK. */
    private static JavaLevel level(Path project, Path root) {
        for (Path folder : List.of(project, root)) {
            for (String name : List.of("build.gradle", "build.gradle.kts")) {
                try {
                    Matcher matcher = LEVEL.matcher(Files.readString(folder.resolve(name)));
                    if (matcher.find()) {
                        return JavaLevel.of(Integer.parseInt(matcher.group(1)));
                    }
                } catch (IOException absent) {
                    // the next place may have it
                }
            }
        }
        return VersionFiles.level(project).map(JavaLevel::of).orElseGet(JavaLevel::running);
    }
}
