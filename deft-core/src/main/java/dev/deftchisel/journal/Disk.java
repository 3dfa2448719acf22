package dev.deftchisel.journal;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * The few things the journal does to a file system, so that tests can let each of them fail.
 */
interface Disk {

    /** The bytes of a file, or empty when there is none. */
    Optional<byte[]> read(Path file) throws IOException;

    /** Writes a new file and forces it to the device; folders are made as needed. */
    void write(Path file, byte[] bytes) throws IOException;

    /** Gives a file the permissions of another. */
    void copyMode(Path from, Path to) throws IOException;

    /** Puts a file in the place of another in one step. */
    void replace(Path from, Path to) throws IOException;

    /** Removes a file, if it is there. */
    void delete(Path file) throws IOException;

    /** Removes a folder and all that is in it, if it is there. */
    void deleteAll(Path folder) throws IOException;

    /** Removes folders upwards from one as long as they are empty, but not the limit or anything above it. */
    void deleteEmpty(Path folder, Path limit) throws IOException;

    /** The names of the entries of a folder, sorted; empty when there is no such folder. */
    List<Path> list(Path folder) throws IOException;

    /** Forces the entries of a folder to the device, so that a rename in it survives a power cut. */
    void force(Path folder) throws IOException;
}
