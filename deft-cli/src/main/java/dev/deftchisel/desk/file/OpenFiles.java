package dev.deftchisel.desk.file;

import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.surroundings.EditorStyle;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The files that are open. */
public final class OpenFiles {

    private static final String STANDARD_INDENT = "    ";

    private final Path root;
    private final Map<Path, Buffer> buffers = new LinkedHashMap<>();

    public OpenFiles(Path root) {
        this.root = root;
    }

    /** The file; opened if it is not. */
    public Buffer of(SourceFile file) {
        return buffers.computeIfAbsent(file.path(), path -> new Buffer(path, file.text(), indent(file)));
    }

    private String indent(SourceFile file) {
        return EditorStyle.of(file.path(), root).unit().orElseGet(() ->
                file.content().lines().anyMatch(line -> line.startsWith("\t")) ? "\t"
                        : file.content().lines().anyMatch(line -> line.matches("  \\S.*")) ? "  " : STANDARD_INDENT);
    }

    public Optional<Buffer> of(Path path) {
        return Optional.ofNullable(buffers.get(path));
    }

    /** All of them. */
    public List<Buffer> all() {
        return List.copyOf(buffers.values());
    }

    /** Those with text that is not on disk. */
    public List<Buffer> dirty() {
        return buffers.values().stream().filter(Buffer::isDirty).toList();
    }

    /** What stands in files and is not on disk. */
    public Map<Path, String> texts() {
        Map<Path, String> texts = new HashMap<>();
        dirty().forEach(buffer -> texts.put(buffer.path(), buffer.draft().content()));
        return texts;
    }

    /** After files were moved. */
    public void settle() {
        List<Buffer> all = new ArrayList<>(buffers.values());
        buffers.clear();
        all.forEach(buffer -> buffers.put(buffer.path(), buffer));
    }

    public void close(Buffer buffer) {
        buffers.remove(buffer.path());
    }
}
