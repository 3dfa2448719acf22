package dev.deftchisel.buildtool;

import dev.deftchisel.workspace.Build;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.PathMatcher;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * The files below a folder that decide what a build consists of.
 *
 * @param root  the folder
 * @param paths in order
 */
record BuildFiles(Path root, List<Path> paths) {

    /** Folders whose whole content is code of the build itself. */
    private static final Set<String> OF_BUILD = Set.of(".mvn", "buildSrc", "build-logic");
    /** Folders in which there is no build file. */
    private static final Set<String> OTHERS = Set.of("src", "build", "target", "out", "bin", "node_modules");

    /** Looks for them. */
    static BuildFiles in(Path root) throws IOException {
        List<PathMatcher> matchers = Stream.concat(Build.FILE_PATTERNS.stream(),
                Stream.of("*.lockfile", "*-wrapper.properties"))
                .map(pattern -> root.getFileSystem().getPathMatcher("glob:" + pattern)).toList();
        List<Path> found = new ArrayList<>();
        Files.walkFileTree(root, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
                String name = folder.equals(root) ? "" : folder.getFileName().toString();
                boolean isSkipped = name.equals("build") || name.equals(".gradle") || !isOfBuild(folder, root)
                        && (OTHERS.contains(name) || name.startsWith("."));
                return isSkipped ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                if (isOfBuild(file, root) || matchers.stream()
                        .anyMatch(matcher -> matcher.matches(file.getFileName()))) {
                    found.add(file);
                }
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path file, IOException unreadable) {
                return FileVisitResult.CONTINUE;
            }
        });
        Collections.sort(found);
        return new BuildFiles(root, List.copyOf(found));
    }

    private static boolean isOfBuild(Path path, Path root) {
        for (Path part : root.relativize(path)) {
            if (OF_BUILD.contains(part.toString())) {
                return true;
            }
        }
        return false;
    }

    /** Another one as soon as a file is added, removed or changed. */
    String hash() throws IOException {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            for (Path path : paths) {
                digest.update(root.relativize(path).toString().getBytes(StandardCharsets.UTF_8));
                digest.update((byte) 0);
                digest.update(Files.readAllBytes(path));
                digest.update((byte) 0);
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }
}
