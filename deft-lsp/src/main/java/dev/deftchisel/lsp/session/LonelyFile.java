package dev.deftchisel.lsp.session;

import dev.deftchisel.source.outline.FileHeader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.Stream;

/** A file of no project: what beside it belongs to it, as far as its package tells. */
final class LonelyFile {

    /** In a home folder or at the root of a disk nobody wants everything to be read. */
    private static final int MOST_ENTRIES = 2000;

    private LonelyFile() {
    }

    /** The source folder, which is above the folder of the package; empty when too much is below it. */
    static Optional<Path> sources(Path file) {
        Path folder = file.getParent();
        try {
            String home = Files.isRegularFile(file) ? FileHeader.of(Files.readString(file)).packageName() : "";
            Path packages = Path.of(home.replace('.', '/'));
            if (!home.isEmpty() && folder.endsWith(packages)) {
                for (int i = 0; i < packages.getNameCount(); i++) {
                    folder = folder.getParent();
                }
            }
            Path sources = folder;
            try (Stream<Path> all = Files.walk(sources)) {
                return all.limit(MOST_ENTRIES).count() < MOST_ENTRIES ? Optional.of(sources) : Optional.empty();
            }
        } catch (IOException | java.io.UncheckedIOException unreadable) {
            return Optional.empty();
        }
    }
}
