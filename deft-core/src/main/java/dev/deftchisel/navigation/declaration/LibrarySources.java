package dev.deftchisel.navigation.declaration;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/**
 * The sources of libraries and of the JDK, where archives of them lie beside the class files: {@code x-sources.jar}
 * beside {@code x.jar} as Maven keeps them, or in a folder beside it as Gradle does, and {@code lib/src.zip} of the
 * JDK.
 */
final class LibrarySources {

    private final List<Path> classPath;
    private final Path jdk;

    /**
     * @param classPath jars and folders of class files
     * @param jdk       the home of the JDK that the code is read with
     */
    LibrarySources(List<Path> classPath, Path jdk) {
        this.classPath = List.copyOf(classPath);
        this.jdk = jdk;
    }

    /**
     * The text of a top-level type's file; empty where no archive has it.
     *
     * @param module     of the JDK that declares it, such as {@code java.base}; empty for types of libraries
     * @param binaryName of the type
     */
    Optional<String> of(String module, String binaryName) {
        String path = binaryName.replace('.', '/');
        if (!module.isEmpty()) {
            return entry(jdk.resolve("lib/src.zip"), module + "/" + path + ".java");
        }
        return classPath.stream().filter(jar -> has(jar, path + ".class"))
                .flatMap(LibrarySources::archives)
                .flatMap(archive -> entry(archive, path + ".java").stream()).findFirst();
    }

    private static boolean has(Path jar, String name) {
        if (!Files.isRegularFile(jar)) {
            return false;
        }
        try (ZipFile zip = new ZipFile(jar.toFile())) {
            return zip.getEntry(name) != null;
        } catch (IOException unreadable) {
            return false;
        }
    }

    private static Stream<Path> archives(Path jar) {
        String name = jar.getFileName().toString().replaceFirst("\\.jar$", "-sources.jar");
        Path folder = jar.toAbsolutePath().getParent();
        Path above = folder.getParent();
        if (above == null || Files.isRegularFile(folder.resolve(name))) {
            return Stream.of(folder.resolve(name));
        }
        try (Stream<Path> beside = Files.list(above)) {
            return beside.map(other -> other.resolve(name)).filter(Files::isRegularFile).toList().stream();
        } catch (IOException unreadable) {
            return Stream.empty();
        }
    }

    private static Optional<String> entry(Path archive, String name) {
        if (!Files.isReadable(archive)) {
            return Optional.empty();
        }
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            ZipEntry entry = zip.getEntry(name);
            return entry == null ? Optional.empty()
                    : Optional.of(new String(zip.getInputStream(entry).readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }
}
