package dev.deftchisel.workspace;

import java.nio.file.Path;
import java.util.List;

/**
 * From what a workspace was read.
 *
 * @param name  what kind of build it is, for people
 * @param files all files that were read for it, also those of parents and plug-ins; when one changes, the workspace is
 *              another
 */
public record Build(String name, List<Path> files) {

    /** Source folders that the user named, or that are there by convention. */
    public static final Build FOLDERS = new Build("source folders", List.of());

    /** Names of files of which any may belong to a build, as glob patterns. */
    public static final List<String> FILE_PATTERNS = List.of("pom.xml", "*.gradle", "*.gradle.kts", "gradle.properties",
            "*.versions.toml",
            "gradle.lockfile", "deft-project.json", ".java-version", ".sdkmanrc",
            ".tool-versions", "maven.config", ".editorconfig");

    /** Copies the list. */
    public Build {
        files = files.stream().distinct().toList();
    }
}
