package dev.deftchisel.guard;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.source.Range;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Edits that compile and bind to the same names, and still do what no rename may do. */
class EditKindCheckTest {

    private static final String SOURCE = """
            import java.util.List;
            class Berth {
                int length;
                Berth next;
                static int count;
                // the length in metres
                String text = "length: ";
                int gap(int near, int far) { return far - near; }
                int rest(int days) { return gap(days, count) + length; }
                class Mooring extends Berth {
                    int twice() { return length + length; }
                }
            }
            """;

    @TempDir
    private Path folder;
    private Path file;
    private Analyst analyst;
    private Analysis before;

    @BeforeEach
    void open() throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        file = sample.write("Berth.java", SOURCE);
        analyst = sample.analyst();
        before = analyst.analyse(Focus.whole(Set.of(file)));
    }

    private static Edit edit(String old, int occurrence, String replacement, Edit.Kind kind) {
        int at = -1;
        for (int i = 0; i <= occurrence; i++) {
            at = SOURCE.indexOf(old, at + 1);
        }
        return Edit.of(new Range(at, at + old.length()), replacement, kind);
    }

    private static Edit insertion(String before, String text) {
        int at = SOURCE.indexOf(before);
        return Edit.of(new Range(at, at), text, Edit.Kind.QUALIFIER);
    }

    /** A correct rename of the field, with some edits of its own instead of those at the same places. */
    private List<Difference> judge(Edit... special) {
        List<Edit> edits = new ArrayList<>(List.of(special));
        // in the comment and the string stands the word, too
        for (int occurrence : new int[] {0, 3, 4, 5}) {
            Edit correct = edit("length", occurrence, "size",
                    occurrence == 0 ? Edit.Kind.DECLARATION : Edit.Kind.REFERENCE);
            if (edits.stream().noneMatch(other -> other.range().overlaps(correct.range()))) {
                edits.add(correct);
            }
        }
        FileChange change = new FileChange(file, Optional.empty(), before.snapshot().file(file).orElseThrow()
                .text(), edits);
        SymbolEffects meaning = new SymbolEffects(Map.of(new SymbolKey.Field(new SymbolKey.Type("Berth"), "length"),
                "size"), Map.of());
        return new Guard(analyst).check(before, new Change("test", List.of(change), meaning, List.of()));
    }

    private void isUnproven(Edit... special) {
        List<Difference> found = judge(special);
        assertEquals(List.of(Difference.Kind.UNPROVEN), found.stream().map(Difference::kind).distinct().toList(),
                found.toString());
        assertTrue(found.get(0).sentence().endsWith("that is a fault of deft"), found.toString());
    }

    @Test
    void aCorrectRenameIsLetThrough() {
        assertEquals(List.of(), judge());
    }

    @Test
    void swappedArgumentsAreSeen() {
        // already by what the names mean
        assertEquals(List.of(Difference.Kind.BINDING, Difference.Kind.BINDING), judge(
                edit("days", 1, "count", Edit.Kind.REFERENCE), edit("count", 1, "days", Edit.Kind.REFERENCE)).stream()
                .map(Difference::kind).toList());
    }

    @Test
    void aChangedOperatorIsSeen() {
        isUnproven(edit("far -", 0, "far +", Edit.Kind.REFERENCE));
    }

    @Test
    void anInsertedStatementIsSeen() {
        isUnproven(insertion("return far", "count++; "));
    }

    @Test
    void anotherObjectOfTheSameClassIsSeen() {
        isUnproven(edit("length", 4, "next.size", Edit.Kind.REFERENCE));
    }

    @Test
    void thisOfTheRightClassIsLetThrough() {
        assertEquals(List.of(), judge(edit("length", 4, "this.size", Edit.Kind.REFERENCE)));
    }

    @Test
    void thisOfAnOuterClassIsAnotherObject() {
        isUnproven(edit("length", 4, "Berth.this.size", Edit.Kind.REFERENCE));
    }

    @Test
    void aTypeAsQualifierIsLetThrough() {
        assertEquals(List.of(), judge(insertion("count) +", "Berth.")));
    }

    @Test
    void aValueAsQualifierOfAStaticMemberIsSeen() {
        isUnproven(insertion("count) +", "next."));
    }

    @Test
    void aMentionStaysWithinItsComment() {
        assertEquals(List.of(), judge(edit("length", 1, "size", Edit.Kind.COMMENT)));
        isUnproven(edit("metres", 0, "metres\n    int other;", Edit.Kind.COMMENT));
    }

    @Test
    void aMentionStaysWithinItsString() {
        assertEquals(List.of(), judge(edit("length", 2, "size", Edit.Kind.STRING)));
        isUnproven(edit("length: ", 0, "\" + count + \"", Edit.Kind.STRING));
    }

    @Test
    void anImportEditMayOnlyImport() {
        int end = SOURCE.indexOf('\n');
        assertEquals(List.of(), judge(Edit.of(new Range(end, end), "\nimport java.util.Set;", Edit.Kind.IMPORT)));
        isUnproven(Edit.of(insertion("int gap", "").range(), "int other; ", Edit.Kind.IMPORT));
    }
}
