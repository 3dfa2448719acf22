package dev.deftchisel.workspace.opening;

import java.nio.charset.Charset;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a user says about the workspace to open.
 *
 * @param folder      the folder named, or the one to look upwards from
 * @param isExact     whether the folder is the workspace itself, not merely one within it
 * @param sources     source folders that replace what the build file says; empty to go by the build file
 * @param classPath   further class files; with {@code sources} the whole class path
 * @param level       the language level that replaces what the build file says
 * @param encoding    the charset that replaces what the build file says
 * @param permissions what may be done besides reading
 */
public record OpenRequest(
        Path folder,
        boolean isExact,
        List<Path> sources,
        List<Path> classPath,
        Optional<Integer> level,
        Optional<Charset> encoding,
        Set<Permission> permissions) {

    /** Copies the lists and makes the paths absolute. */
    public OpenRequest {
        folder = folder.toAbsolutePath().normalize();
        sources = sources.stream().map(path -> path.toAbsolutePath().normalize()).toList();
        classPath = classPath.stream().map(path -> path.toAbsolutePath().normalize()).toList();
        permissions = Set.copyOf(permissions);
    }

    /** The same, in which something more may be done. */
    public OpenRequest with(Permission permission) {
        Set<Permission> more = EnumSet.of(permission);
        more.addAll(permissions);
        return new OpenRequest(folder, isExact, sources, classPath, level, encoding, more);
    }

    /** Whether something may be done. */
    public boolean allows(Permission permission) {
        return permissions.contains(permission);
    }

    /** The workspace in or above a folder, by its build file. */
    public static OpenRequest around(Path folder) {
        return new OpenRequest(folder, false, List.of(), List.of(), Optional.empty(), Optional.empty(), Set.of());
    }

    /** The workspace in exactly this folder. */
    public static OpenRequest at(Path folder) {
        return new OpenRequest(folder, true, List.of(), List.of(), Optional.empty(), Optional.empty(), Set.of());
    }

    /** A plain folder with the source folders named. */
    public static OpenRequest plain(Path folder, List<Path> sources, List<Path> classPath) {
        return new OpenRequest(folder, true, sources, classPath, Optional.empty(), Optional.empty(), Set.of());
    }
}
