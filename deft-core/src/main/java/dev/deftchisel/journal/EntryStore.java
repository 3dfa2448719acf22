package dev.deftchisel.journal;

import com.google.gson.Gson;
import com.google.gson.GsonBuilder;
import com.google.gson.JsonParseException;
import dev.deftchisel.source.SourceText;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Keeps entries on disk. Each has a folder:
 * <pre>
 * 000017/entry.json      the entry; put in place in one step, last of all
 * 000017/images/HASH     the bytes of each file before and after, by their hash
 * </pre>
 * A folder without {@code entry.json} was never begun.
 */
final class EntryStore {

    private static final String RECORD = "entry.json";

    private final Disk disk;
    private final Path folder;
    private final Gson gson = new GsonBuilder().setPrettyPrinting().disableHtmlEscaping().create();

    EntryStore(Disk disk, Path folder) {
        this.disk = disk;
        this.folder = folder;
    }

    /** How an entry is written down; the instant as text. */
    private record StoredEntry(int number, String title, String time, Entry.State state, List<Entry.Image> files) {
    }

    /** All entries in order; folders that were never begun are passed over. */
    List<Entry> all() throws IOException {
        List<Entry> entries = new ArrayList<>();
        for (Path path : disk.list(folder)) {
            Optional<byte[]> bytes = disk.read(path.resolve(RECORD));
            if (bytes.isPresent()) {
                entries.add(parse(path, bytes.get()));
            }
        }
        entries.sort(Comparator.comparingInt(Entry::number));
        return entries;
    }

    private Entry parse(Path path, byte[] bytes) {
        try {
            StoredEntry written = gson.fromJson(new String(bytes, StandardCharsets.UTF_8), StoredEntry.class);
            return new Entry(written.number(), written.title(), Instant.parse(written.time()), written.state(),
                    written.files());
        } catch (JsonParseException | NullPointerException | DateTimeException damaged) {
            throw new JournalException(path.resolve(RECORD) + " is damaged; move that folder away to go on without it",
                    damaged);
        }
    }

    /** Puts an entry in place in one step; its images must be there already. */
    void put(Entry entry) throws IOException {
        Path home = home(entry.number());
        Path draft = home.resolve(RECORD + ".new");
        StoredEntry written = new StoredEntry(
                entry.number(), entry.title(), entry.time().toString(), entry.state(), entry.files());
        disk.write(draft, gson.toJson(written).getBytes(StandardCharsets.UTF_8));
        disk.replace(draft, home.resolve(RECORD));
        disk.force(home);
        // the folder of a new entry is itself an entry of the one above
        disk.force(folder);
    }

    void putImage(int number, byte[] bytes) throws IOException {
        disk.write(home(number).resolve("images").resolve(SourceText.hash(bytes)), bytes);
    }

    /**
     * The bytes of an image.
     *
     * @throws JournalException when it is gone or damaged
     */
    byte[] image(int number, String hash) throws IOException {
        Path path = home(number).resolve("images").resolve(hash);
        return disk.read(path)
                .filter(bytes -> SourceText.hash(bytes).equals(hash))
                .orElseThrow(() -> new JournalException(path
                        + " is gone or damaged, so the change cannot be taken back"));
    }

    void remove(int number) throws IOException {
        // the record first: without it the rest is as if it had never been
        disk.delete(home(number).resolve(RECORD));
        disk.deleteAll(home(number));
    }

    /** Removes what was never begun. */
    void removeLeftovers() throws IOException {
        for (Path path : disk.list(folder)) {
            if (path.getFileName().toString().matches("\\d+") && disk.read(path.resolve(RECORD)).isEmpty()) {
                disk.deleteAll(path);
            }
        }
    }

    private Path home(int number) {
        return folder.resolve(String.format("%06d", number));
    }
}
