package dev.deftchisel.workspace.surroundings;

import dev.deftchisel.workspace.WorkspaceException;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.eclipse.jgit.diff.DiffEntry;
import org.eclipse.jgit.diff.DiffFormatter;
import org.eclipse.jgit.diff.Edit;
import org.eclipse.jgit.errors.RevisionSyntaxException;
import org.eclipse.jgit.lib.ObjectId;
import org.eclipse.jgit.lib.Repository;
import org.eclipse.jgit.revwalk.RevWalk;
import org.eclipse.jgit.storage.file.FileRepositoryBuilder;
import org.eclipse.jgit.treewalk.CanonicalTreeParser;
import org.eclipse.jgit.treewalk.FileTreeIterator;
import org.eclipse.jgit.util.io.DisabledOutputStream;

/** What was changed in a folder under version control by git: the files as they are on disk against a revision. */
public final class GitChanges {

    /** The revision against which nothing but what is not committed is a change. */
    public static final String UNCOMMITTED = "HEAD";

    private final Path folder;

    /** @param folder within the repository */
    public GitChanges(Path folder) {
        this.folder = folder;
    }

    /**
     * Lines that were changed or added.
     *
     * @param first counted from 1
     * @param last  inclusive, at least the first one
     */
    public record Lines(int first, int last) {
    }

    /**
     * The files that differ from a revision, those that are new and not ignored among them, each with its changed
     * lines. Files that are gone are left out; where lines only went, the line after them counts.
     *
     * @param revision as git understands it: a branch, a tag, a hash, {@code HEAD~3}
     * @throws WorkspaceException when the folder is not under version control, or there is no such revision
     */
    public Map<Path, List<Lines>> since(String revision) {
        try (Repository repository = open(); DiffFormatter differ = new DiffFormatter(DisabledOutputStream.INSTANCE)) {
            ObjectId commit = resolve(repository, revision);
            differ.setRepository(repository);
            differ.setDetectRenames(true);
            Map<Path, List<Lines>> found = new LinkedHashMap<>();
            for (DiffEntry entry : differ.scan(tree(repository, commit), new FileTreeIterator(repository))) {
                if (entry.getChangeType() != DiffEntry.ChangeType.DELETE) {
                    Path file = repository.getWorkTree().toPath().resolve(entry.getNewPath());
                    found.put(file.toRealPath(), lines(differ, entry));
                }
            }
            return found;
        } catch (IOException failed) {
            throw new WorkspaceException("the changes in " + folder + " cannot be read from git: "
                    + failed.getMessage(), failed);
        }
    }

    private Repository open() throws IOException {
        FileRepositoryBuilder builder = new FileRepositoryBuilder().readEnvironment().findGitDir(folder.toFile());
        File found = builder.getGitDir();
        if (found == null) {
            throw new WorkspaceException(folder + " is not in a git repository, so nobody knows what was changed");
        }
        return builder.build();
    }

    private ObjectId resolve(Repository repository, String revision) throws IOException {
        try {
            ObjectId commit = repository.resolve(revision + "^{commit}");
            if (commit != null) {
                return commit;
            }
        } catch (RevisionSyntaxException | org.eclipse.jgit.errors.AmbiguousObjectException unclear) {
            throw new WorkspaceException("'" + revision + "' is not a revision: " + unclear.getMessage(), unclear);
        }
        throw new WorkspaceException("there is no revision '" + revision + "' in the repository of " + folder);
    }

    private static CanonicalTreeParser tree(Repository repository, ObjectId commit) throws IOException {
        try (RevWalk walk = new RevWalk(repository); var reader = repository.newObjectReader()) {
            CanonicalTreeParser tree = new CanonicalTreeParser();
            tree.reset(reader, walk.parseCommit(commit).getTree());
            return tree;
        }
    }

    private static List<Lines> lines(DiffFormatter differ, DiffEntry entry) throws IOException {
        List<Lines> lines = new ArrayList<>();
        for (Edit edit : differ.toFileHeader(entry).toEditList()) {
            lines.add(new Lines(edit.getBeginB() + 1, Math.max(edit.getBeginB() + 1, edit.getEndB())));
        }
        return lines;
    }
}
