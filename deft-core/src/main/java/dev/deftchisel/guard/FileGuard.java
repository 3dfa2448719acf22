package dev.deftchisel.guard;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermission;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Finds files of a change that must not be written, or whose text cannot be written as it is. */
public final class FileGuard {

    private static final Set<PosixFilePermission> WRITING = Set.of(
            PosixFilePermission.OWNER_WRITE, PosixFilePermission.GROUP_WRITE, PosixFilePermission.OTHERS_WRITE);

    private final Workspace workspace;

    /** @param workspace whose files are to change */
    public FileGuard(Workspace workspace) {
        this.workspace = workspace;
    }

    /** One difference for each file that stands in the way. */
    public List<Difference> check(Change change) {
        return change.effective().stream()
                .flatMap(file -> obstacle(file).map(sentence -> new Difference(Difference.Kind.FILE, file.path(),
                        new Range(0, 0), Optional.empty(), Optional.empty(), sentence)).stream())
                .toList();
    }

    private Optional<String> obstacle(FileChange file) {
        Path path = file.path();
        if (file.isNew() && Files.exists(path)) {
            return Optional.of(workspace.show(path) + " exists already");
        }
        if (!file.before().isFaithful()) {
            return Optional.of("the file has bytes that are not " + file.before().charset()
                    + ", so it cannot be written without loss; set the right encoding");
        }
        Optional<Integer> unwritable = file.after().unwritableOffset();
        if (unwritable.isPresent()) {
            String what = Character.toString(file.after().content().codePointAt(unwritable.get()));
            return Optional.of("'" + what + "' cannot be written in " + file.before().charset());
        }
        if (workspace.rootOf(path).filter(SourceRoot::isMade).isPresent()) {
            return Optional.of("the file is generated, so a change to it would be lost; what annotation processors "
                    + "make follows when they may run"
                    + " (--run-processors)");
        }
        try {
            Path real = (file.isNew() ? nearest(path) : path).toRealPath();
            if (!real.startsWith(workspace.root().toRealPath())) {
                return Optional.of("the file is a link out of the workspace, to " + real);
            }
            if (isReadOnly(real) || !file.isNew() && isReadOnly(real.getParent())) {
                return Optional.of("the file or its folder is read-only");
            }
        } catch (IOException gone) {
            return Optional.of("the file is gone");
        }
        return file.target().filter(Files::exists).map(target -> workspace.show(target) + " exists already");
    }

    /** The folder in which something must be made for a file to be there. */
    private static Path nearest(Path path) {
        Path at = path.getParent();
        while (!Files.exists(at)) {
            at = at.getParent();
        }
        return at;
    }

    /** Also true for the superuser, to whom every file is writable: nobody may write it means leave it alone. */
    private static boolean isReadOnly(Path path) throws IOException {
        PosixFileAttributeView view = Files.getFileAttributeView(path, PosixFileAttributeView.class);
        return !Files.isWritable(path) || view != null && view.readAttributes().permissions().stream()
                .noneMatch(WRITING::contains);
    }
}
