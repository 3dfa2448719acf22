package dev.deftchisel.lsp.session;

import java.net.URI;
import java.nio.file.FileSystemNotFoundException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.eclipse.lsp4j.TextDocumentContentChangeEvent;

/** What the editor has open. Written by the thread that reads messages, in their order; read by any. */
public final class Documents {

    private final Map<Path, Document> open = new ConcurrentHashMap<>();
    /** What files will read when a change is made with which all agree. */
    private final Map<Path, String> expected = new ConcurrentHashMap<>();

    /** Where a file is that the protocol names; empty for what is no file. */
    public static Optional<Path> path(String uri) {
        try {
            return Optional.of(Path.of(URI.create(uri)).toAbsolutePath().normalize());
        } catch (IllegalArgumentException | FileSystemNotFoundException notAFile) {
            return Optional.empty();
        }
    }

    /** A file is opened; what is no file is not kept. */
    public void open(String uri, int version, String text) {
        path(uri).ifPresent(path -> open.put(path, new Document(uri, path, version, text, text)));
    }

    /**
     * An open file is changed.
     *
     * @return whether it was open, and older than the change
     */
    public boolean change(String uri, int version, List<TextDocumentContentChangeEvent> changes,
            PositionEncoding units) {
        Optional<Document> known = of(uri);
        if (known.isEmpty() || version <= known.get().version()) {
            return false;
        }
        Document now = known.get().changed(version, changes, units);
        boolean isAgreed = now.text().equals(expected.get(now.path()));
        open.put(now.path(), isAgreed ? now.agreedOn() : now);
        return true;
    }

    /** When a file reads so, calls and overrides agree with its headers. */
    public void expect(Path path, String text) {
        expected.put(path, text);
    }

    public void close(String uri) {
        path(uri).ifPresent(path -> {
            open.remove(path);
            expected.remove(path);
        });
    }

    public Optional<Document> of(String uri) {
        return path(uri).flatMap(this::of);
    }

    public Optional<Document> of(Path path) {
        return Optional.ofNullable(open.get(path));
    }

    /** All texts, by path. */
    public Map<Path, String> texts() {
        Map<Path, String> texts = new HashMap<>();
        open.forEach((path, document) -> texts.put(path, document.text()));
        return texts;
    }

    public List<Document> all() {
        return List.copyOf(open.values());
    }

    /** How the editor names a file, or how it would. */
    public String uri(Path path) {
        return of(path).map(Document::uri).orElseGet(() -> path.toUri().toString());
    }
}
