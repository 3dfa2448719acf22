package dev.deftchisel.rename;

import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;

/**
 * The words that a rename changes, for those who look for them in text.
 *
 * @param oldName      the word searched for
 * @param newName      what takes its place
 * @param qualifiedOld the whole name by which resources may refer to it; the word itself when there is none
 * @param qualifiedNew what takes its place
 * @param along        other names that change with it, old and new
 * @param properties   names of properties as expressions write them where the code has accessors, old and new
 * @param home         the file that declares it, if that counts
 */
record Renaming(String oldName, String newName, String qualifiedOld, String qualifiedNew, Map<String, String> along, Map<String, String> properties,
        Optional<Path> home) {

    /** Copies the maps. */
    Renaming {
        along = Map.copyOf(along);
        properties = Map.copyOf(properties);
    }

    /** One name and nothing else. */
    Renaming(String oldName, String newName, String qualifiedOld, String qualifiedNew) {
        this(oldName, newName, qualifiedOld, qualifiedNew, Map.of(), Map.of(), Optional.empty());
    }
}
