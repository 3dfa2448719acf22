package dev.deftchisel.desk;

import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.workspace.WorkspaceException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.Arrays;
import java.util.Optional;

/** Writes what was typed: whole files, each put in its place in one step. */
final class Saving {

    private Saving() {
    }

    /**
     * A text that is to be written.
     *
     * @param path   where
     * @param text   what is on disk as far as is known
     * @param wanted what is to be there
     */
    record Job(Path path, SourceText text, SourceText wanted) {

        static Job of(Buffer buffer) {
            return new Job(buffer.path(), buffer.saved(), buffer.saved().with(buffer.draft().content()));
        }
    }

    /**
     * What is on disk, when that is not what is known.
     *
     * @return empty when it is the same; an empty array when the file is gone
     */
    static Optional<byte[]> outside(Path path, SourceText known) {
        if (!known.isFaithful()) {
            // what was read does not give its bytes back, so nothing can be told from them
            return Optional.empty();
        }
        try {
            byte[] bytes = Files.readAllBytes(path);
            return Arrays.equals(bytes, known.bytes()) ? Optional.empty() : Optional.of(bytes);
        } catch (NoSuchFileException gone) {
            return Optional.of(new byte[0]);
        } catch (IOException failed) {
            throw new WorkspaceException(path + " cannot be read: " + failed.getMessage());
        }
    }

    /** Whether somebody else wrote the file meanwhile. */
    static boolean isOutdated(Job job) {
        return outside(job.path(), job.text()).isPresent();
    }

    /**
     * Writes a text.
     *
     * @throws WorkspaceException when the file is not what is known, or cannot be written
     */
    static void write(Job job) {
        if (isOutdated(job)) {
            throw new WorkspaceException(job.path().getFileName() + " was changed outside meanwhile; save it first");
        }
        overwrite(job);
    }

    /**
     * Writes a text over whatever is there.
     *
     * @throws WorkspaceException when it cannot be written
     */
    static void overwrite(Job job) {
        if (!job.wanted().isFaithful()) {
            throw new WorkspaceException(job.path().getFileName() + " is not written in " + job.wanted().charset()
                    + ", saving it would lose something; give its charset with --encoding");
        }
        job.wanted().unwritableOffset().ifPresent(offset -> {
            throw new WorkspaceException(job.path().getFileName() + ": " + job.wanted().charset() + " cannot write '"
                    + Character.toString(job.wanted().content().codePointAt(offset)) + "'");
        });
        try {
            // a link stays one
            Path target = Files.exists(job.path()) ? job.path().toRealPath() : job.path();
            Path beside = Files.createTempFile(target.getParent(), ".deft", ".part");
            try {
                Files.write(beside, job.wanted().bytes());
                permissions(target, beside);
                Files.move(beside, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(beside);
            }
        } catch (IOException failed) {
            throw new WorkspaceException(job.path() + " cannot be written: " + failed.getMessage());
        }
    }

    private static void permissions(Path from, Path to) throws IOException {
        PosixFileAttributeView target = Files.getFileAttributeView(to, PosixFileAttributeView.class);
        if (Files.exists(from) && target != null) {
            target.setPermissions(Files.getPosixFilePermissions(from));
        }
    }
}
