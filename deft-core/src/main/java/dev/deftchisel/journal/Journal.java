package dev.deftchisel.journal;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.surroundings.StateFolder;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The history of a workspace, kept in its folder {@code .deft}.
 *
 * <p>A transition of an entry (apply, undo, redo) runs in this order:
 * <ol>
 * <li>every file is compared with what it must be now;
 * <li>the images before and after are written and forced to the device;
 * <li>the entry is put in place in a pending state, in one step: from here on the intent is known;
 * <li>each file is written beside its target, forced, and put in its place in one step;
 * <li>files that moved away are removed;
 * <li>the entry is put in place in its final state, in one step.
 * </ol>
 * When the process dies between 3 and 6, the next start finds the pending entry and puts back the images it came from.
 * When a step fails, the same is done at once. One process at a time holds a lock on the folder.
 */
public final class Journal {

    /** How many changes are kept; older ones are forgotten when a new one is made. */
    static final int MOST_ENTRIES = 200;

    private static final String TEMPORARY = ".deft-new";

    private final Workspace workspace;
    private final Disk disk;
    private final Clock clock;
    private final EntryStore store;
    private final StateFolder state;
    private final Path folder;

    /**
     * Opens the history of a workspace; nothing is written before the first change.
     *
     * @param workspace whose files are changed
     */
    public Journal(Workspace workspace) {
        this(workspace, new FileDisk(), Clock.systemUTC());
    }

    Journal(Workspace workspace, Disk disk, Clock clock) {
        this.workspace = workspace;
        this.disk = disk;
        this.clock = clock;
        this.state = new StateFolder(workspace);
        this.folder = state.path();
        this.store = new EntryStore(disk, folder.resolve("history"));
    }

    /** Work under the lock. */
    private interface Work<T> {
        T run() throws IOException;
    }

    /**
     * Finishes what a killed process left behind: every interrupted change is taken back to where it came from.
     *
     * @return the entries that were put right, normally none
     * @throws JournalException when a file was changed by someone else meanwhile; it is left as it is
     */
    public List<Entry> recover() {
        try {
            boolean pending = store.all().stream().anyMatch(entry -> entry.state().isPending());
            return pending ? locked(this::recoverLocked) : List.of();
        } catch (IOException failed) {
            throw unreadable(failed);
        }
    }

    private JournalException unreadable(IOException failed) {
        return new JournalException(folder + " cannot be read or written: " + describe(failed), failed);
    }

    private List<Entry> recoverLocked() throws IOException {
        store.removeLeftovers();
        List<Entry> done = new ArrayList<>();
        for (Entry entry : store.all()) {
            if (entry.state().isPending()) {
                putBack(entry);
                done.add(entry);
            }
        }
        return done;
    }

    /** Gives every file of an interrupted entry the content it came from, and the entry the state it came from. */
    private void putBack(Entry entry) throws IOException {
        boolean forward = entry.state() != Entry.State.UNDOING;
        for (Entry.Image image : entry.files()) {
            Entry.Image step = forward ? image : image.reversed();
            Path origin = resolve(step.before());
            Path target = resolve(step.after());
            dropDraft(origin);
            dropDraft(target);
            String now = hashOf(origin);
            if (step.creates()) {
                if (now.equals(step.afterHash())) {
                    disk.delete(origin);
                }
                disk.deleteEmpty(origin.getParent(), workspace.root());
            } else if (!now.equals(step.beforeHash())) {
                boolean isOurs = now.equals(step.afterHash()) && !step.moves() || now.isEmpty() && step.moves();
                if (!isOurs) {
                    throw new JournalException(step.before() + " was changed while a change to it was interrupted;"
                            + " its former content is kept in " + folder);
                }
                place(origin, store.image(entry.number(), step.beforeHash()), target);
                disk.force(real(origin).getParent());
            }
            if (step.moves() && hashOf(target).equals(step.afterHash())) {
                disk.delete(target);
                disk.deleteEmpty(target.getParent(), workspace.root());
            }
        }
        switch (entry.state()) {
            case APPLYING -> store.remove(entry.number());
            case UNDOING -> store.put(entry.with(Entry.State.APPLIED));
            default -> store.put(entry.with(Entry.State.UNDONE));
        }
    }

    /**
     * Writes a change.
     *
     * @return its entry in the history
     * @throws JournalException when a file is not as it was when the change was planned, when another process is at
     *                          work here, or when writing fails; then everything is as before
     */
    public Entry apply(Change change) {
        return locked(() -> {
            recoverLocked();
            List<Entry> entries = store.all();
            int number = entries.stream().mapToInt(Entry::number).max().orElse(0) + 1;
            List<Entry.Image> images = new ArrayList<>();
            for (FileChange file : change.effective()) {
                byte[] after = file.after().bytes();
                images.add(new Entry.Image(workspace.show(file.path()), workspace.show(file.pathAfter()),
                        file.isNew() ? "" : SourceText.hash(file.before().bytes()),
                        file.isGone() ? "" : SourceText.hash(after)));
            }
            Entry entry = new Entry(number, change.title(), clock.instant(), Entry.State.APPLYING, images);
            check(entry.files(), "since it was looked at; look again");
            try {
                for (FileChange file : change.effective()) {
                    if (!file.isNew()) {
                        store.putImage(number, file.before().bytes());
                    }
                    if (!file.isGone()) {
                        store.putImage(number, file.after().bytes());
                    }
                }
                store.put(entry);
                write(entry, entry.files());
                store.put(entry.with(Entry.State.APPLIED));
            } catch (IOException | JournalException failed) {
                takeBack(entry, Entry.State.APPLIED, failed);
            }
            // what was taken back before cannot be done again on top of this, and nobody goes back for ever
            for (Entry former : entries) {
                if (former.state() == Entry.State.UNDONE || former.number() <= number - MOST_ENTRIES) {
                    store.remove(former.number());
                }
            }
            return entry.with(Entry.State.APPLIED);
        });
    }

    /**
     * Takes the latest change back.
     *
     * @throws JournalException when there is none, or a file of it was changed since
     */
    public Entry undo() {
        return locked(() -> {
            recoverLocked();
            Entry entry = latest(Entry.State.APPLIED)
                    .orElseThrow(() -> new JournalException("there is nothing to undo"));
            return transition(entry, entry.files().stream().map(Entry.Image::reversed).toList(),
                    Entry.State.UNDOING, Entry.State.UNDONE);
        });
    }

    /**
     * Does the change again that was taken back last.
     *
     * @throws JournalException when there is none, or a file of it was changed since
     */
    public Entry redo() {
        return locked(() -> {
            recoverLocked();
            Entry entry = store.all().stream()
                    .filter(candidate -> candidate.state() == Entry.State.UNDONE)
                    .findFirst()
                    .orElseThrow(() -> new JournalException("there is nothing to redo"));
            return transition(entry, entry.files(), Entry.State.REDOING, Entry.State.APPLIED);
        });
    }

    private Optional<Entry> latest(Entry.State state) throws IOException {
        return store.all().stream().filter(entry -> entry.state() == state).reduce((first, second) -> second);
    }

    private Entry transition(Entry entry, List<Entry.Image> steps, Entry.State pending, Entry.State done)
            throws IOException {
        check(steps, "since; put it right or leave the change as it is");
        Entry begun = entry.with(pending);
        try {
            store.put(begun);
            write(begun, steps);
            store.put(entry.with(done));
        } catch (IOException | JournalException failed) {
            takeBack(begun, done, failed);
        }
        return entry.with(done);
    }

    /** All changes in order, oldest first. */
    public List<Entry> history() {
        try {
            return store.all();
        } catch (IOException failed) {
            throw unreadable(failed);
        }
    }

    private void check(List<Entry.Image> steps, String since) throws IOException {
        for (Entry.Image step : steps) {
            if (!hashOf(resolve(step.before())).equals(step.beforeHash())) {
                throw new JournalException(step.creates() ? step.before() + " is in the way; move it first"
                        : step.before() + " was changed " + since);
            }
            if (step.moves() && !hashOf(resolve(step.after())).isEmpty()) {
                throw new JournalException(step.after() + " is in the way; move it first");
            }
        }
    }

    private void write(Entry entry, List<Entry.Image> steps) throws IOException {
        Set<Path> folders = new LinkedHashSet<>();
        for (Entry.Image step : steps) {
            Path target = resolve(step.after());
            if (step.removes()) {
                disk.delete(target);
                disk.deleteEmpty(target.getParent(), workspace.root());
                continue;
            }
            place(target, store.image(entry.number(), step.afterHash()), resolve(step.before()));
            folders.add(real(target).getParent());
        }
        for (Path changed : folders) {
            disk.force(changed);
        }
        for (Entry.Image step : steps) {
            if (step.moves()) {
                Path left = resolve(step.before());
                disk.delete(left);
                disk.deleteEmpty(left.getParent(), workspace.root());
            }
        }
    }

    /** Writes beside the target and puts it in place in one step; a link is followed, not replaced. */
    private void place(Path target, byte[] bytes, Path modeOf) throws IOException {
        Path real = real(target);
        Path draft = temporary(real);
        disk.write(draft, bytes);
        for (Path like : List.of(real, modeOf)) {
            if (Files.exists(like)) {
                disk.copyMode(like, draft);
                break;
            }
        }
        disk.replace(draft, real);
    }

    /**
     * Writes a file that somebody edited: all of it in one step, with its mode and through a link. It is no change that
     * could be taken back.
     *
     * @throws JournalException when it cannot be written, or another process writes in the workspace
     */
    public void save(Path file, byte[] bytes) {
        locked(() -> {
            try {
                place(file, bytes, file);
                disk.force(real(file).getParent());
            } catch (IOException failed) {
                try {
                    dropDraft(file);
                } catch (IOException again) {
                    failed.addSuppressed(again);
                }
                throw new JournalException(file + " cannot be written: " + describe(failed), failed);
            }
            return file;
        });
    }

    private static Path real(Path target) throws IOException {
        return Files.isSymbolicLink(target) ? target.toRealPath() : target;
    }

    private void dropDraft(Path target) throws IOException {
        disk.delete(temporary(real(target)));
    }

    private static Path temporary(Path target) {
        return target.resolveSibling("." + target.getFileName() + TEMPORARY);
    }

    /**
     * After a failed step: goes back to where the entry came from and says so. Only when the last step of all, making
     * the final state durable, is what failed, the transition is done and stays.
     */
    private void takeBack(Entry begun, Entry.State done, Exception failed) {
        String what = "writing failed (" + describe(failed) + ")";
        try {
            Optional<Entry> stored = store.all().stream()
                    .filter(entry -> entry.number() == begun.number())
                    .findFirst();
            if (stored.filter(entry -> entry.state() == done).isPresent()) {
                return;
            }
            for (Entry.Image image : begun.files()) {
                dropDraft(resolve(image.before()));
                dropDraft(resolve(image.after()));
            }
            if (stored.filter(entry -> entry.state().isPending()).isPresent()) {
                putBack(begun);
            } else if (begun.state() == Entry.State.APPLYING) {
                store.remove(begun.number());
            }
        } catch (IOException | JournalException again) {
            failed.addSuppressed(again);
            throw new JournalException(what + "; what was begun is taken back at the next start", failed);
        }
        throw new JournalException(what + "; nothing was changed", failed);
    }

    private static String describe(Exception failed) {
        String message = failed.getMessage() == null ? failed.getClass().getSimpleName() : failed.getMessage();
        return failed instanceof AccessDeniedException ? message + ": permission denied" : message;
    }

    private String hashOf(Path file) throws IOException {
        return disk.read(file).map(SourceText::hash).orElse("");
    }

    private Path resolve(String shown) {
        return workspace.root().resolve(shown);
    }

    private <T> T locked(Work<T> work) {
        try {
            state.make();
            try (FileChannel channel = FileChannel.open(
                    folder.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                    FileLock lock = lock(channel)) {
                return lock == null ? refuse() : work.run();
            }
        } catch (IOException failed) {
            throw unreadable(failed);
        } catch (UncheckedIOException failed) {
            throw unreadable(failed.getCause());
        }
    }

    private <T> T refuse() {
        throw new JournalException("another deft is writing in " + workspace.root() + "; try again when it is done");
    }

    private static FileLock lock(FileChannel channel) throws IOException {
        try {
            return channel.tryLock();
        } catch (OverlappingFileLockException heldHere) {
            return null;
        }
    }
}
