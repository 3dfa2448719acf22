package dev.deftchisel.guard;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Plants faults in changes and looks whether the guard sees them. */
class GuardTest {

    private static final String SOURCE = """
            class Berth {
                static final int DEPTH = 6;
                int length;
                int count;
                long fee(int days) { return days; }
                long fee(long days) { return -days; }
                int free(int taken) {
                    int rest = length - taken;
                    return rest + DEPTH;
                }
                Object bill() { return fee((long) count); }
            }
            """;

    @TempDir
    private Path root;
    private Path file;
    private Analyst analyst;
    private Analysis before;

    @BeforeEach
    void open() throws IOException {
        file = root.resolve("Berth.java");
        Files.writeString(file, SOURCE);
        Snapshot snapshot = Snapshot.read(
                new Workspaces(List.of()).open(OpenRequest.plain(root, List.of(root), List.of())));
        analyst = new Analyst(snapshot, new Libraries(), Monitor.SILENT);
        before = analyst.analyse(Focus.whole(Set.of(file)));
    }

    private Edit edit(String old, int occurrence, String replacement, Edit.Kind kind) {
        int at = -1;
        for (int i = 0; i <= occurrence; i++) {
            at = SOURCE.indexOf(old, at + 1);
        }
        return Edit.of(new Range(at, at + old.length()), replacement, kind);
    }

    private List<Difference> judge(SymbolEffects meaning, Edit... edits) {
        FileChange change = new FileChange(
                file, Optional.empty(), before.snapshot().file(file).orElseThrow().text(), List.of(edits));
        return new Guard(analyst).check(before, new Change("test", List.of(change), meaning, List.of()));
    }

    private static List<Difference.Kind> kinds(List<Difference> differences) {
        return new ArrayList<>(differences.stream().map(Difference::kind).distinct().toList());
    }

    private SymbolEffects lengthTo(String name) {
        return new SymbolEffects(Map.of(new SymbolKey.Field(new SymbolKey.Type("Berth"), "length"), name), Map.of());
    }

    @Test
    void aCompleteRenameIsLetThrough() {
        assertEquals(List.of(), judge(lengthTo("size"),
                edit("length", 0, "size", Edit.Kind.DECLARATION), edit("length", 1, "size", Edit.Kind.REFERENCE)));
    }

    @Test
    void aReferenceLeftBehindIsSeen() {
        List<Difference> found = judge(lengthTo("size"), edit("length", 0, "size", Edit.Kind.DECLARATION));
        assertEquals(List.of(Difference.Kind.BINDING, Difference.Kind.ERROR), kinds(found));
    }

    @Test
    void aReferenceTooManyIsSeen() {
        assertEquals(List.of(Difference.Kind.BINDING), kinds(judge(lengthTo("size"),
                edit("length", 0, "size", Edit.Kind.DECLARATION), edit("length", 1, "size", Edit.Kind.REFERENCE),
                edit("count", 1, "size", Edit.Kind.REFERENCE))));
    }

    @Test
    void aShadowingDeclarationIsSeen() {
        List<Difference> found = judge(SymbolEffects.same(),
                edit("int rest", 0, "int length = 1; int rest", Edit.Kind.IMPORT));
        assertTrue(kinds(found).contains(Difference.Kind.BINDING), found.toString());
    }

    @Test
    void aDroppedCastThatChoseAnOverloadIsSeen() {
        assertEquals(List.of(Difference.Kind.BINDING),
                kinds(judge(SymbolEffects.same(), edit("(long) ", 0, "", Edit.Kind.IMPORT))));
    }

    @Test
    void aConstantOfAnotherValueIsSeen() {
        assertEquals(List.of(Difference.Kind.CONSTANT),
                kinds(judge(SymbolEffects.same(), edit("6", 0, "7", Edit.Kind.IMPORT))));
    }

    @Test
    void aNewErrorIsSeen() {
        List<Difference> found = judge(SymbolEffects.same(),
                edit("return days", 0, "return \"days\"", Edit.Kind.IMPORT));
        assertTrue(kinds(found).contains(Difference.Kind.ERROR), found.toString());
    }

    private List<Difference> judgeNew(String name, String content) {
        FileChange made = FileChange.created(root.resolve(name), StandardCharsets.UTF_8, content);
        return new Guard(analyst).check(before, new Change("test", List.of(made), SymbolEffects.same(), List.of()));
    }

    @Test
    void aNewFileThatNobodyMentionsIsLetThrough() {
        assertEquals(List.of(), judgeNew("Quay.java", "class Quay { Berth first; }\n"));
    }

    @Test
    void anErrorInANewFileIsSeen() {
        assertEquals(List.of(Difference.Kind.ERROR), kinds(judgeNew("Quay.java", "class Quay { Pier first; }\n")));
    }

    @Test
    void aNewTypeThatIsFoundInsteadOfAnotherIsSeen() {
        List<Difference> found = judgeNew("Object.java", "class Object { }\n");
        assertTrue(kinds(found).contains(Difference.Kind.BINDING), found.toString());
    }

    @Test
    void aNewTypeWhoseNameOtherFilesMentionNeedsThemToBeAnalysed() throws IOException {
        Path other = root.resolve("Other.java");
        Files.writeString(other, "class Other { Quay quay; }\n");
        Analyst wider = new Analyst(before.snapshot().reread(List.of(other)), new Libraries(), Monitor.SILENT);
        Analysis narrow = wider.analyse(Focus.whole(Set.of(file)));
        FileChange made = FileChange.created(root.resolve("Quay.java"), StandardCharsets.UTF_8, "class Quay { }\n");
        List<Difference> found = new Guard(wider)
                .check(narrow, new Change("test", List.of(made), SymbolEffects.same(), List.of()));
        assertEquals(List.of(Difference.Kind.UNPROVEN), kinds(found));
    }

    @Test
    void aNewFileDoesNotTakeThePlaceOfAnother() {
        FileChange made = FileChange.created(file, StandardCharsets.UTF_8, "class Berth { }\n");
        List<Difference> found = new FileGuard(before.snapshot().workspace())
                .check(new Change("test", List.of(made), SymbolEffects.same(), List.of()));
        assertEquals("Berth.java exists already", found.get(0).sentence());
    }

    @Test
    void filesThatMustNotBeWrittenAreSeen() throws IOException {
        Path outside = Files.createTempFile("outside", ".java");
        Path link = root.resolve("Link.java");
        Files.createSymbolicLink(link, outside);
        FileChange change = new FileChange(link, Optional.empty(), before.snapshot().file(file).orElseThrow().text(),
                List.of(Edit.of(new Range(0, 0), "x", Edit.Kind.IMPORT)));
        List<Difference> found = new FileGuard(before.snapshot().workspace())
                .check(new Change("test", List.of(change), SymbolEffects.same(), List.of()));
        assertTrue(found.get(0).sentence().startsWith("the file is a link out of the workspace"), found.toString());
        Files.delete(outside);
    }
}
