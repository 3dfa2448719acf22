package dev.deftchisel.proving.surface;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.FileChange;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * The bytes of all files of a folder but those that deft keeps for itself, one character for each byte.
 *
 * @param byPath by path
 */
record Contents(Map<Path, String> byPath) {

    static Contents of(Path folder) throws IOException {
        Map<Path, String> all = new TreeMap<>();
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                if (!folder.relativize(file).startsWith(".deft")) {
                    all.put(file, Files.readString(file, StandardCharsets.ISO_8859_1));
                }
            }
        }
        return new Contents(all);
    }

    /** After a change, as the change says. */
    Contents after(Change change) {
        Map<Path, String> all = new TreeMap<>(byPath);
        for (FileChange file : change.effective()) {
            all.remove(file.path());
            all.put(file.pathAfter(), new String(file.after().bytes(), StandardCharsets.ISO_8859_1));
        }
        return new Contents(all);
    }

    /** The first file that is not the same. */
    Optional<Path> difference(Contents other) {
        return Stream.concat(byPath.keySet().stream(), other.byPath.keySet().stream()).distinct().sorted()
                .filter(path -> !Optional.ofNullable(byPath.get(path))
                        .equals(Optional.ofNullable(other.byPath.get(path))))
                .findFirst();
    }
}
