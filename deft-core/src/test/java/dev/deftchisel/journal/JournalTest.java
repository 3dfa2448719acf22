package dev.deftchisel.journal;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.workspace.Workspace;
import java.io.File;
import java.io.IOException;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class JournalTest {

    private static final int FILES = 4;

    @TempDir
    private Path root;
    private Workspace workspace;

    @BeforeEach
    void fill() throws IOException {
        workspace = new Workspace(root, List.of(), List.of());
        for (int i = 0; i < FILES; i++) {
            Files.writeString(root.resolve("Berth" + i + ".java"), "old " + i + "\n");
        }
    }

    /** Changes every file; the first one moves into a new folder, and one more comes to be in another. */
    private Change change() {
        List<FileChange> files = new ArrayList<>();
        for (int i = 0; i < FILES; i++) {
            Path path = root.resolve("Berth" + i + ".java");
            SourceText before = SourceText.decode(("old " + i + "\n").getBytes(StandardCharsets.UTF_8),
                    StandardCharsets.UTF_8);
            files.add(new FileChange(path, i == 0 ? Optional.of(root.resolve("quay/Berth.java")) : Optional.empty(),
                    before, List.of(Edit.of(new Range(0, 3), "newer", Edit.Kind.REFERENCE))));
        }
        files.add(FileChange.created(root.resolve("sea/mark/Tide.java"), StandardCharsets.UTF_8, "tide\n"));
        return new Change("make them new", files, SymbolEffects.same(), List.of());
    }

    private Map<String, String> contents() {
        Map<String, String> contents = new TreeMap<>();
        try (Stream<Path> files = Files.walk(root)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                String name = root.relativize(file).toString();
                if (!name.startsWith(".deft" + File.separator)) {
                    contents.put(name, Files.readString(file));
                }
            }
        } catch (IOException failed) {
            throw new AssertionError(failed);
        }
        return contents;
    }

    private static final Map<String, String> OLD = Map.of(
            "Berth0.java", "old 0\n", "Berth1.java", "old 1\n", "Berth2.java", "old 2\n", "Berth3.java", "old 3\n");
    private static final Map<String, String> NEW = Map.of(
            "quay/Berth.java", "newer 0\n", "Berth1.java", "newer 1\n", "Berth2.java", "newer 2\n", "Berth3.java",
            "newer 3\n",
            "sea/mark/Tide.java", "tide\n");

    @Test
    void appliesTakesBackAndDoesAgain() {
        Journal journal = new Journal(workspace);
        journal.apply(change());
        assertEquals(NEW, contents());
        journal.undo();
        assertEquals(OLD, contents());
        assertFalse(Files.exists(root.resolve("quay")), "the folder made for it goes too");
        assertFalse(Files.exists(root.resolve("sea")), "and all those made for a new file");
        new Journal(workspace).redo();
        assertEquals(NEW, contents());
        assertEquals("make them new", new Journal(workspace).history().get(0).title());
        assertThrows(JournalException.class, new Journal(workspace)::redo);
    }

    @Test
    void aNewChangeEndsWhatCouldBeDoneAgain() {
        Journal journal = new Journal(workspace);
        journal.apply(change());
        journal.undo();
        journal.apply(change());
        assertThrows(JournalException.class, journal::redo);
        assertEquals(1, journal.history().size());
    }

    @Test
    void refusesWhenAFileIsNotWhatWasLookedAt() throws IOException {
        Files.writeString(root.resolve("Berth2.java"), "someone else\n");
        JournalException refused = assertThrows(JournalException.class, () -> new Journal(workspace).apply(change()));
        assertEquals("Berth2.java was changed since it was looked at; look again", refused.getMessage());
        assertEquals("old 1\n", Files.readString(root.resolve("Berth1.java")));
    }

    @Test
    void refusesToWriteOverAFileThatCameToBeMeanwhile() throws IOException {
        Files.createDirectories(root.resolve("sea/mark"));
        Files.writeString(root.resolve("sea/mark/Tide.java"), "someone else's");
        JournalException refused = assertThrows(JournalException.class, () -> new Journal(workspace).apply(change()));
        assertEquals("sea/mark/Tide.java is in the way; move it first", refused.getMessage());
        assertEquals("someone else's", Files.readString(root.resolve("sea/mark/Tide.java")));
    }

    @Test
    void refusesToTakeBackOverALaterEdit() throws IOException {
        Journal journal = new Journal(workspace);
        journal.apply(change());
        Files.writeString(root.resolve("Berth3.java"), "edited\n");
        assertThrows(JournalException.class, journal::undo);
        assertEquals("newer 1\n", Files.readString(root.resolve("Berth1.java")));
    }

    @Test
    void refusesWhileAnotherProcessWrites() throws IOException {
        Files.createDirectories(root.resolve(".deft"));
        try (FileChannel channel = FileChannel.open(root.resolve(".deft/lock"),
                StandardOpenOption.CREATE, StandardOpenOption.WRITE); FileLock held = channel.lock()) {
            assertTrue(held.isValid());
            JournalException refused =
                    assertThrows(JournalException.class, () -> new Journal(workspace).apply(change()));
            assertTrue(refused.getMessage().startsWith("another deft is writing"), refused.getMessage());
        }
        assertEquals(OLD, contents());
    }

    @Test
    void theOldestChangesAreForgotten() throws IOException {
        Path file = root.resolve("Berth0.java");
        Journal journal = new Journal(workspace);
        for (int i = 0; i < Journal.MOST_ENTRIES + 2; i++) {
            SourceText before = SourceText.decode(Files.readAllBytes(file), StandardCharsets.UTF_8);
            journal.apply(new Change("change " + i, List.of(new FileChange(file, Optional.empty(), before, List.of(
                    Edit.of(new Range(0, before.content().length()), "new " + i + "\n", Edit.Kind.REFERENCE)))),
                    SymbolEffects.same(), List.of()));
        }
        List<Entry> kept = journal.history();
        assertEquals(Journal.MOST_ENTRIES, kept.size());
        assertEquals("change 2", kept.get(0).title());
        journal.undo();
        assertEquals("new " + Journal.MOST_ENTRIES + "\n", Files.readString(file));
    }

    @Test
    void keepsModesAndFollowsLinksWithinTheWorkspace() throws IOException {
        Path target = root.resolve("Berth1.java");
        Path real = root.resolve("real.java");
        Files.move(target, real);
        Files.createSymbolicLink(target, real);
        Files.setPosixFilePermissions(real, PosixFilePermissions.fromString("rw-rw-r-x"));
        new Journal(workspace).apply(change());
        assertTrue(Files.isSymbolicLink(target));
        assertEquals("newer 1\n", Files.readString(real));
        assertEquals("rw-rw-r-x", PosixFilePermissions.toString(Files.getPosixFilePermissions(real)));
    }

    @Test
    void savesAnEditedFileWithItsModeAndThroughALink() throws IOException {
        Path target = root.resolve("Berth1.java");
        Path real = root.resolve("real.java");
        Files.move(target, real);
        Files.createSymbolicLink(target, real);
        Files.setPosixFilePermissions(real, PosixFilePermissions.fromString("rw-rw-r-x"));
        new Journal(workspace).save(target, "typed\n".getBytes(StandardCharsets.UTF_8));
        assertTrue(Files.isSymbolicLink(target));
        assertEquals("typed\n", Files.readString(real));
        assertEquals("rw-rw-r-x", PosixFilePermissions.toString(Files.getPosixFilePermissions(real)));
        assertEquals(List.of(), new Journal(workspace).history(), "it is no change");
    }

    @Test
    void aSaveThatFailsLeavesTheFileAsItWasAndNothingBeside() throws IOException {
        for (int n = 1; n <= 3; n++) {
            Journal journal = new Journal(workspace, failing(n, false, new AtomicInteger()), Clock.systemUTC());
            JournalException failed = assertThrows(JournalException.class,
                    () -> journal.save(root.resolve("Berth1.java"), "typed\n".getBytes(StandardCharsets.UTF_8)));
            assertTrue(failed.getMessage().contains("Berth1.java cannot be written: no space left"),
                    failed.getMessage());
            assertEquals(OLD, contents());
        }
    }

    /** A disk whose n-th operation that changes something fails, and from then on all do when the process "dies". */
    private static Disk failing(int n, boolean dies, AtomicInteger calls) {
        Disk real = new FileDisk();
        return (Disk) Proxy.newProxyInstance(Disk.class.getClassLoader(), new Class<?>[] {Disk.class},
                (proxy, method, arguments) -> {
            if (!method.getName().equals("read") && !method.getName().equals("list")) {
                int call = calls.incrementAndGet();
                if (call == n || dies && call > n) {
                    throw new IOException("no space left on device");
                }
            }
            try {
                return method.invoke(real, arguments);
            } catch (InvocationTargetException thrown) {
                throw thrown.getCause();
            }
        });
    }

    @Test
    void everyFailingWriteLeavesEverythingAsItWas() throws IOException {
        int count = count();
        assertTrue(count > 20, "there are many steps: " + count);
        for (int n = 1; n <= count; n++) {
            Journal journal = new Journal(workspace, failing(n, false, new AtomicInteger()), Clock.systemUTC());
            try {
                journal.apply(change());
            } catch (JournalException failed) {
                assertTrue(failed.getMessage().contains("no space left on device"), failed.getMessage());
            }
            Map<String, String> now = contents();
            assertTrue(now.equals(OLD) || now.equals(NEW), "half applied when step " + n + " fails: " + now);
            putBack();
        }
    }

    @Test
    void afterDyingAtAnyStepTheNextStartFindsAllOldOrAllNew() throws IOException {
        int count = count();
        for (int n = 1; n <= count; n++) {
            Journal dying = new Journal(workspace, failing(n, true, new AtomicInteger()), Clock.systemUTC());
            try {
                dying.apply(change());
                assertEquals(NEW, contents(), "done at step " + n);
            } catch (JournalException died) {
                new Journal(workspace).recover();
                assertEquals(OLD, contents(), "after dying at step " + n);
            }
            putBack();
        }
    }

    @Test
    void afterDyingWhileTakingBackTheNextStartFindsAllOldOrAllNew() throws IOException {
        new Journal(workspace).apply(change());
        AtomicInteger calls = new AtomicInteger();
        new Journal(workspace, failing(-1, false, calls), Clock.systemUTC()).undo();
        new Journal(workspace).redo();
        for (int n = 1; n <= calls.get(); n++) {
            Journal dying = new Journal(workspace, failing(n, true, new AtomicInteger()), Clock.systemUTC());
            try {
                dying.undo();
            } catch (JournalException died) {
                new Journal(workspace).recover();
                assertEquals(NEW, contents(), "after dying at step " + n);
                continue;
            }
            assertEquals(OLD, contents(), "done at step " + n);
            new Journal(workspace).redo();
        }
    }

    @Test
    void dyingAgainWhileTheNextStartPutsThingsRightLosesNothing() throws IOException {
        int half = count() / 2;
        for (int n = 1; ; n++) {
            Journal dying = new Journal(workspace, failing(half, true, new AtomicInteger()), Clock.systemUTC());
            assertThrows(JournalException.class, () -> dying.apply(change()));
            AtomicInteger calls = new AtomicInteger();
            Journal recovering = new Journal(workspace, failing(n, true, calls), Clock.systemUTC());
            boolean died = false;
            try {
                recovering.recover();
            } catch (JournalException again) {
                died = true;
            }
            new Journal(workspace).recover();
            assertEquals(OLD, contents(), "after dying at step " + n + " of the recovery");
            putBack();
            if (!died) {
                assertTrue(n > 5, "the recovery has steps to die at");
                return;
            }
        }
    }

    @Test
    void aDamagedImageStopsAnUndoBeforeItDoesHalf() throws IOException {
        new Journal(workspace).apply(change());
        Path images = root.resolve(".deft/history/000001/images");
        try (Stream<Path> files = Files.list(images)) {
            Path last = files.filter(file -> file.getFileName().toString()
                    .equals(SourceText.hash("old 3\n".getBytes(StandardCharsets.UTF_8)))).findFirst().orElseThrow();
            Files.writeString(last, "damaged");
        }
        JournalException refused = assertThrows(JournalException.class, () -> new Journal(workspace).undo());
        assertTrue(refused.getMessage().contains("damaged"), refused.getMessage());
        assertEquals(NEW, contents());
        new Journal(workspace).recover();
        assertEquals(NEW, contents());
    }

    private int count() throws IOException {
        AtomicInteger calls = new AtomicInteger();
        new Journal(workspace, failing(-1, false, calls), Clock.systemUTC()).apply(change());
        putBack();
        return calls.get();
    }

    private void putBack() throws IOException {
        new FileDisk().deleteAll(root.resolve(".deft"));
        new FileDisk().deleteAll(root.resolve("quay"));
        new FileDisk().deleteAll(root.resolve("sea"));
        fill();
    }
}
