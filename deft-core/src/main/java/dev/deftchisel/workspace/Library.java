package dev.deftchisel.workspace;

import java.nio.file.Path;

/**
 * Class files that a module uses and that are not made of its sources.
 *
 * @param file   an archive, or a folder of class files
 * @param origin how it was found, for people: coordinates {@code group:artifact:version}, or what named it
 */
public record Library(Path file, String origin) {
}
