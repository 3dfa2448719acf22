package dev.deftchisel.change;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.workspace.Workspace;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class DiffWriterTest {

    private static final Path ROOT = Path.of("/w");

    private static String diff(String content, Charset charset, Optional<String> target, Edit... edits) {
        SourceText text = SourceText.decode(content.getBytes(charset), charset);
        FileChange file = new FileChange(ROOT.resolve("a/Berth.java"), target.map(ROOT::resolve), text, List.of(edits));
        byte[] diff = new DiffWriter(new Workspace(ROOT, List.of(), List.of()))
                .write(new Change("test", List.of(file), SymbolEffects.same(), List.of()));
        return new String(diff, charset);
    }

    @Test
    void linesAreShownWithTheirEnds() {
        assertEquals("--- a/a/Berth.java\n+++ b/a/Berth.java\n@@ -1,2 +1,2 @@\n-one\r\n+ONE\r\n two\n\\ No newline at "
                + "end of file\n",
                diff("one\r\ntwo", StandardCharsets.UTF_8, Optional.empty(),
                        Edit.of(new Range(0, 3), "ONE", Edit.Kind.REFERENCE)));
    }

    @Test
    void theCharsetOfTheFileIsKept() {
        assertTrue(diff("h\u00E4fen\n", StandardCharsets.ISO_8859_1, Optional.empty(),
                Edit.of(new Range(0, 1), "H", Edit.Kind.REFERENCE)).contains("-h\u00E4fen\n+H\u00E4fen\n"));
    }

    @Test
    void aMovedFileHasTheHeadersOfAMove() {
        assertEquals("diff --git a/a/Berth.java b/a/Dock.java\nsimilarity index 100%\n"
                        + "rename from a/Berth.java\nrename to a/Dock.java\n",
                diff("one\n", StandardCharsets.UTF_8, Optional.of("a/Dock.java")));
    }

    @Test
    void aNewFileComesFromNothing() {
        FileChange file = FileChange.created(ROOT.resolve("a/Tide.java"), StandardCharsets.UTF_8, "tide\n");
        byte[] diff = new DiffWriter(new Workspace(ROOT, List.of(), List.of()))
                .write(new Change("test", List.of(file), SymbolEffects.same(), List.of()));
        assertEquals("diff --git a/a/Tide.java b/a/Tide.java\nnew file mode 100644\n"
                + "--- /dev/null\n+++ b/a/Tide.java\n@@ -0,0 +1 @@\n+tide\n", new String(diff, StandardCharsets.UTF_8));
    }

    @Test
    void whatIsLeftOutIsNotShown() {
        assertEquals("", diff("one\n", StandardCharsets.UTF_8, Optional.empty(),
                new Edit(new Range(0, 3), "ONE", Edit.Kind.COMMENT, false)));
    }
}
