package dev.deftchisel.workspace.surroundings;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import dev.deftchisel.workspace.WorkspaceException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.eclipse.jgit.api.Git;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What git says was changed, asked of a real repository. */
class GitChangesTest {

    @TempDir
    private Path temporary;
    private Path folder;

    @BeforeEach
    void resolve() throws Exception {
        folder = temporary.toRealPath();
    }

    private void commit(Git git) throws Exception {
        git.add().addFilepattern(".").call();
        git.commit().setMessage("as it was").setAuthor("Harbour", "office@example.org")
                .setCommitter("Harbour", "office@example.org").setSign(false).call();
    }

    @Test
    void tellsChangedAndNewFilesWithTheirLines() throws Exception {
        Path berth = Files.writeString(folder.resolve("Berth.java"), "one\ntwo\nthree\n");
        Path gone = Files.writeString(folder.resolve("Gone.java"), "one\n");
        Files.writeString(folder.resolve(".gitignore"), "*.class\n");
        try (Git git = Git.init().setDirectory(folder.toFile()).call()) {
            commit(git);
            assertEquals(Map.of(), new GitChanges(folder).since(GitChanges.UNCOMMITTED));
            Files.writeString(berth, "one\nTWO\nthree\nfour\n");
            Files.delete(gone);
            Path fresh = Files.writeString(folder.resolve("Fresh.java"), "one\ntwo\n");
            Files.writeString(folder.resolve("Berth.class"), "none");
            assertEquals(Map.of(
                    berth, List.of(new GitChanges.Lines(2, 2), new GitChanges.Lines(4, 4)),
                    fresh, List.of(new GitChanges.Lines(1, 2))), new GitChanges(folder).since(GitChanges.UNCOMMITTED));
            commit(git);
            assertEquals(Map.of(), new GitChanges(folder).since(GitChanges.UNCOMMITTED));
            assertEquals(2, new GitChanges(folder).since("HEAD~1").size());
        }
    }

    @Test
    void saysWhatIsMissing() throws Exception {
        assertThrows(WorkspaceException.class, () -> new GitChanges(folder).since("HEAD"));
        try (Git git = Git.init().setDirectory(folder.toFile()).call()) {
            Files.writeString(folder.resolve("Berth.java"), "one\n");
            commit(git);
            assertEquals("there is no revision 'spring' in the repository of " + folder,
                    assertThrows(WorkspaceException.class, () -> new GitChanges(folder).since("spring")).getMessage());
        }
    }
}
