package dev.deftchisel.proving.oracle;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A change that stands on disk.
 *
 * @param place   where it was asked for, before it
 * @param oldName what the symbol was called
 * @param change  what the preview said
 * @param before  the bytes of each file it touches, read from disk before it
 * @param operation its id
 * @param answers   what it was told
 */
public record Applied(Place place, String oldName, Change change, Map<Path, byte[]> before, String operation,
        Answers answers) {

    /** The bytes of the files that a change is about to touch. */
    public static Map<Path, byte[]> bytesBefore(Change change) throws IOException {
        Map<Path, byte[]> bytes = new LinkedHashMap<>();
        for (FileChange file : change.effective()) {
            if (!file.isNew()) {
                bytes.put(file.path(), Files.readAllBytes(file.path()));
            }
        }
        return bytes;
    }
}
