package dev.deftchisel.workspace.surroundings;

import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/** Files of other languages that stand in the modules beside the Java code and may name what is declared there. */
public final class OtherLanguages {

    private static final Map<String, String> LANGUAGES = Map.ofEntries(
            Map.entry("kt", "Kotlin"), Map.entry("kts", "Kotlin"), Map.entry("groovy", "Groovy"),
            Map.entry("scala", "Scala"),
            Map.entry("clj", "Clojure"), Map.entry("aj", "AspectJ"), Map.entry("drl", "rules"),
            Map.entry("feature", "scenarios"),
            Map.entry("jsp", "JSP"), Map.entry("jspx", "JSP"), Map.entry("jspf", "JSP"), Map.entry("tag", "JSP"),
            Map.entry("tagx", "JSP"),
            Map.entry("html", "HTML"), Map.entry("htm", "HTML"), Map.entry("xhtml", "HTML"),
            Map.entry("ftl", "templates"), Map.entry("ftlh", "templates"), Map.entry("vm", "templates"),
            Map.entry("mustache", "templates"),
            Map.entry("hbs", "templates"), Map.entry("jte", "templates"), Map.entry("xml", "XML"),
            Map.entry("properties", "properties"));
    /** Where builds and tools leave what they made. */
    private static final Set<String> MADE = Set.of("target", "build", "out", "bin", "node_modules");

    private OtherLanguages() {
    }

    /** What a file is written in; empty for one that is of no interest here. */
    public static Optional<String> of(Path file) {
        String name = file.getFileName().toString();
        return Optional.ofNullable(LANGUAGES.get(name.substring(name.lastIndexOf('.') + 1)));
    }

    /** Whether a language has code or expressions in it, and not only data. */
    public static boolean isCode(String language) {
        return !language.equals("XML") && !language.equals("properties");
    }

    /** All such files that are no resources, in order. */
    public static List<Path> in(Workspace workspace) {
        Set<Path> resources = new TreeSet<>();
        Set<Path> folders = new TreeSet<>();
        for (Module module : workspace.modules()) {
            folders.add(module.folder().resolve("src"));
            module.roots().forEach(root -> (root.kind() == SourceRoot.Kind.RESOURCE ? resources : folders)
                    .add(root.folder()));
        }
        // resources that are sources as well are searched as such
        resources.removeIf(folder -> folders.stream().anyMatch(folder::equals));
        Set<Path> found = new TreeSet<>();
        folders.stream().filter(folder -> folders.stream()
                .noneMatch(other -> !other.equals(folder) && folder.startsWith(other)))
                .forEach(folder -> walk(folder, resources, found));
        return List.copyOf(found);
    }

    private static void walk(Path folder, Set<Path> resources, Set<Path> found) {
        if (!Files.isDirectory(folder)) {
            return;
        }
        try {
            Files.walkFileTree(folder, new SimpleFileVisitor<>() {
                @Override
                public FileVisitResult preVisitDirectory(Path directory, BasicFileAttributes attributes) {
                    String name = directory.getFileName().toString();
                    boolean isHidden = !directory.equals(folder) && (name.startsWith(".") || MADE.contains(name));
                    return isHidden || resources.contains(directory) ? FileVisitResult.SKIP_SUBTREE
                            : FileVisitResult.CONTINUE;
                }

                @Override
                public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                    Stream.of(file).filter(one -> attributes.isRegularFile() && of(one).isPresent())
                            .forEach(found::add);
                    return FileVisitResult.CONTINUE;
                }

                @Override
                public FileVisitResult visitFileFailed(Path file, IOException unreadable) {
                    return FileVisitResult.CONTINUE;
                }
            });
        } catch (IOException unreadable) {
            // what cannot be listed has no mentions that could be shown
            return;
        }
    }
}
