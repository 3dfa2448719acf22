package dev.deftchisel.gradle.script;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Something that a project says it needs, for one of its configurations. */
public sealed interface DependencyNotation {

    /** The configuration, for instance {@code testImplementation}. */
    String configuration();

    /**
     * A published library, or a platform that says versions of libraries.
     *
     * @param coordinates {@code group:name:extension:classifier}
     * @param version     empty when something else says it
     * @param exclusions  {@code group:name}, either of which may be a star
     */
    record Published(String configuration, Module coordinates, Optional<String> version, boolean isPlatform,
            List<String> exclusions)
            implements DependencyNotation {
    }

    /** What is published, without its version. */
    record Module(String group, String name, String classifier, String extension) {
    }

    /** Another project of the same build, by its path with colons. */
    record Project(String configuration, String path) implements DependencyNotation {
    }

    /** Archives and folders. */
    record Files(String configuration, List<Path> files) implements DependencyNotation {
    }

    /**
     * Reads {@code group:name[:version[:classifier]][@extension]}.
     *
     * @return empty when that is something else
     */
    static Optional<Published> published(String configuration, String notation, boolean isPlatform,
            List<String> exclusions) {
        int mark = notation.indexOf('@');
        String[] parts = (mark < 0 ? notation : notation.substring(0, mark)).split(":", -1);
        if (parts.length < 2 || parts.length > 4 || parts[0].isBlank() || parts[1].isBlank()) {
            return Optional.empty();
        }
        Optional<String> version = parts.length > 2 && !parts[2].isBlank() ? Optional.of(parts[2]) : Optional.empty();
        Module module = new Module(parts[0], parts[1], parts.length > 3 ? parts[3] : "", mark < 0 ? "jar"
                : notation.substring(mark + 1));
        return Optional.of(new Published(configuration, module, version.map(DependencyNotation::plain), isPlatform,
                exclusions));
    }

    /** Without what only says how strictly it is meant: {@code 1.2!!}. */
    private static String plain(String version) {
        int marks = version.indexOf("!!");
        return marks < 0 ? version : version.substring(0, marks);
    }
}
