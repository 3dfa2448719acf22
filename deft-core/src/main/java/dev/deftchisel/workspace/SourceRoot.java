package dev.deftchisel.workspace;

import java.nio.file.Path;

/**
 * A folder of a module in which files are found by their package.
 *
 * @param folder absolute, normalised
 * @param use    main or test code
 * @param kind   what its files are
 */
public record SourceRoot(Path folder, Use use, Kind kind) {

    /** What a file takes part in. */
    public enum Use { MAIN, TEST }

    /** What the files of a root are. */
    public enum Kind {
        /** Java written by people; may be changed. */
        SOURCE,
        /** Java written by a generator; analysed, never changed. */
        GENERATED,
        /** Java that annotation processors made because deft had them run; follows the code it is made from. */
        PROCESSED,
        /** Everything else that travels with the classes; searched for mentions. */
        RESOURCE
    }

    /** The folder in which the files of a package are (JLS 7.2.1). */
    public Path folderOf(String packageName) {
        return folder.resolve(packageName.replace('.', '/'));
    }

    /** The package that a folder in the root stands for; empty for the root itself. */
    public String packageOf(Path inside) {
        return folder.relativize(inside).toString().replace('\\', '/').replace('/', '.');
    }

    /** Whether the root holds Java code that nobody writes. */
    public boolean isMade() {
        return kind == Kind.GENERATED || isProcessed();
    }

    /** Whether the root holds what annotation processors made because deft had them run. */
    public boolean isProcessed() {
        return kind == Kind.PROCESSED;
    }

    /** Whether the root holds Java code. */
    public boolean isJava() {
        return kind != Kind.RESOURCE;
    }
}
