package dev.deftchisel.workspace.opening;

import dev.deftchisel.jdk.Jdk;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The Java that version managers are told to use in a folder, which is what a build compiles with that says nothing
 * itself: {@code .java-version}, {@code .sdkmanrc}, {@code .tool-versions}.
 */
public final class VersionFiles {

    /** The names of the files. */
    public static final List<String> NAMES = List.of(".java-version", ".sdkmanrc", ".tool-versions");
    private static final Pattern LINE = Pattern
            .compile("(?:java\\s*[=\\s]\\s*)?(?:[a-z][a-z_-]*-)*((?:1\\.)?\\d+)\\b.*");

    private VersionFiles() {
    }

    /** The feature release that the nearest such file says, from a folder upwards; for instance 17. */
    public static Optional<Integer> level(Path folder) {
        return Stream.<Path>iterate(folder.toAbsolutePath(), path -> path != null, Path::getParent)
                .flatMap(path -> NAMES.stream().map(path::resolve)).filter(Files::isRegularFile)
                .flatMap(file -> in(file).stream()).findFirst();
    }

    private static Optional<Integer> in(Path file) {
        try {
            boolean isOfJava = file.getFileName().toString().equals(".java-version");
            return Files.readAllLines(file).stream().map(String::strip)
                    .filter(line -> !line.startsWith("#") && (isOfJava || line.startsWith("java")))
                    .map(LINE::matcher).filter(Matcher::matches).map(found -> found.group(1))
                    .flatMap(text -> Jdk.featureIn(text).stream())
                    .findFirst();
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }
}
