package dev.deftchisel.proving.bench;

import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusList;
import dev.deftchisel.proving.corpus.Depot;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** Copies of one corpus side by side, each under packages of its own, so that code of any size can be had. */
final class GrownCorpus {

    /** What is copied: its main code depends on no library and compiles alone. */
    static final String NAME = "collections";
    private static final String HOME = "org.apache.commons.collections4";

    private GrownCorpus() {
    }

    /** A member of the first copy that is used in 10 to 30 files of it. */
    static String member() {
        return HOME + ".copy0.ResettableIterator#reset()";
    }

    /**
     * Lays the copies out.
     *
     * @param copies how many
     * @param target an empty folder
     */
    static OpenRequest lay(int copies, Path target) throws IOException {
        Corpus corpus = Depot.standard(true).corpus(NAME, CorpusList.standard().resolve(NAME));
        Path sources = corpus.request().folder().resolve("src/main/java");
        List<Path> files;
        try (Stream<Path> found = Files.walk(sources)) {
            files = found.filter(file -> file.toString().endsWith(".java")).toList();
        }
        for (int copy = 0; copy < copies; copy++) {
            for (Path file : files) {
                String home = HOME + ".copy" + copy;
                String content = Files.readString(file, StandardCharsets.UTF_8).replace(HOME, home);
                Path relative = sources.relativize(file);
                Path moved = target.resolve(relative.toString().replace(
                        HOME.replace('.', '/'), home.replace('.', '/')));
                Files.createDirectories(moved.getParent());
                Files.writeString(moved, content, StandardCharsets.UTF_8);
            }
        }
        return OpenRequest.plain(target, List.of(target), List.of());
    }
}
