package dev.deftchisel.desk.file;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.journal.JournalException;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.workspace.WorkspaceException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;

/** What was typed and is to be written: whether it may be, and whether somebody else wrote the file meanwhile. */
public final class Saving {

    private Saving() {
    }

    /**
     * A text that is to be written.
     *
     * @param path   where
     * @param text   what is on disk as far as is known
     * @param wanted what is to be there
     */
    public record Job(Path path, SourceText text, SourceText wanted) {

        public static Job of(Buffer buffer) {
            return new Job(buffer.path(), buffer.saved(), buffer.saved().with(buffer.draft().content()));
        }
    }

    /**
     * What is on disk, when that is not what is known.
     *
     * @return empty when it is the same; an empty array when the file is gone
     */
    public static Optional<byte[]> outside(Path path, SourceText known) {
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
    public static boolean isOutdated(Job job) {
        return outside(job.path(), job.text()).isPresent();
    }

    /**
     * Writes a text.
     *
     * @throws WorkspaceException when the file is not what is known, or its charset cannot write it
     * @throws JournalException   when it cannot be written
     */
    public static void write(Job job, Chisel chisel) {
        if (isOutdated(job)) {
            throw new WorkspaceException(job.path().getFileName() + " was changed outside meanwhile; save it first");
        }
        overwrite(job, chisel);
    }

    /**
     * Writes a text over whatever is there.
     *
     * @throws WorkspaceException when its charset cannot write it
     * @throws JournalException   when it cannot be written
     */
    public static void overwrite(Job job, Chisel chisel) {
        if (!job.wanted().isFaithful()) {
            throw new WorkspaceException(job.path().getFileName() + " is not written in " + job.wanted().charset()
                    + ", saving it would lose something; give its charset with --encoding");
        }
        job.wanted().unwritableOffset().ifPresent(offset -> {
            throw new WorkspaceException(job.path().getFileName() + ": " + job.wanted().charset() + " cannot write '"
                    + Character.toString(job.wanted().content().codePointAt(offset)) + "'");
        });
        chisel.save(job.path(), job.wanted());
    }
}
