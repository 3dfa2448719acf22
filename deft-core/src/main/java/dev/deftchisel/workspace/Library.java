package dev.deftchisel.workspace;

import java.nio.file.Path;
import java.util.Optional;

/**
 * Class files that a module uses and that are not made of its sources.
 *
 * @param file   an archive, or a folder of class files
 * @param origin how it was found, for people: coordinates {@code group:artifact:version}, or what named it
 * @param use    the code that is compiled with it: all of a module, or only its tests
 */
public record Library(Path file, String origin, SourceRoot.Use use) {

    /** One with which all code is compiled. */
    public Library(Path file, String origin) {
        this(file, origin, SourceRoot.Use.MAIN);
    }

    /** The coordinates without the version; empty when it has none. */
    public Optional<String> artifact() {
        String[] parts = origin.split("[:@]");
        return parts.length < 3 ? Optional.empty()
                : Optional.of(parts[0] + ":" + parts[1] + origin.substring(parts[0].length() + parts[1].length()
                        + parts[2].length() + 2));
    }
}
