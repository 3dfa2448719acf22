package dev.deftchisel.change;

import dev.deftchisel.workspace.Workspace;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.eclipse.jgit.diff.DiffFormatter;
import org.eclipse.jgit.diff.EditList;
import org.eclipse.jgit.diff.RawText;

/**
 * Writes a change as a unified diff that {@code patch -p1} takes in the workspace's root. The lines are written in the
 * charset of their files, so the result is bytes. A file that moves or is new is written with the extended headers of
 * git.
 */
public final class DiffWriter {

    private static final int CONTEXT_LINES = 3;

    private final Workspace workspace;

    /** @param workspace whose root paths are relative to */
    public DiffWriter(Workspace workspace) {
        this.workspace = workspace;
    }

    /** The diff of all files to which something happens. */
    public byte[] write(Change change) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        change.effective().forEach(file -> out.writeBytes(write(file)));
        return out.toByteArray();
    }

    /** The diff of one file. */
    public byte[] write(FileChange file) {
        String oldName = workspace.show(file.path());
        String newName = workspace.show(file.pathAfter());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        RawText before = new RawText(file.before().bytes());
        RawText after = new RawText(file.after().bytes());
        EditList edits = new ChangedLines(file).compare(before, after);
        if (file.target().isPresent()) {
            header(out, "diff --git a/" + oldName + " b/" + newName);
            header(out, "similarity index " + similarity(before, edits) + "%");
            header(out, "rename from " + oldName);
            header(out, "rename to " + newName);
        }
        if (file.isNew()) {
            header(out, "diff --git a/" + newName + " b/" + newName);
            header(out, "new file mode 100644");
        }
        if (file.isGone()) {
            header(out, "diff --git a/" + oldName + " b/" + oldName);
            header(out, "deleted file mode 100644");
        }
        if (!edits.isEmpty()) {
            header(out, file.isNew() ? "--- /dev/null" : "--- a/" + oldName);
            header(out, file.isGone() ? "+++ /dev/null" : "+++ b/" + newName);
            try (DiffFormatter formatter = new DiffFormatter(out)) {
                formatter.setContext(CONTEXT_LINES);
                formatter.format(edits, before, after);
                formatter.flush();
            } catch (IOException impossible) {
                throw new AssertionError("the text is in memory", impossible);
            }
        }
        return out.toByteArray();
    }

    private static int similarity(RawText before, EditList edits) {
        int changed = edits.stream().mapToInt(org.eclipse.jgit.diff.Edit::getLengthA).sum();
        return before.size() == 0 ? 100 : 100 - 100 * changed / before.size();
    }

    private static void header(ByteArrayOutputStream out, String line) {
        out.writeBytes((line + "\n").getBytes(StandardCharsets.UTF_8));
    }
}
