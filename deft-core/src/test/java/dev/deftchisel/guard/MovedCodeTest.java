package dev.deftchisel.guard;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.MovedCode;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.source.Range;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Code that an edit takes away must stand elsewhere afterwards, and mean the same there. */
class MovedCodeTest {

    private static final String SOURCE = """
            class Berth {
                int next() { return 1; }
                int unused() { return 2; }
                int depth;
                static String text() { return "berth"; }
                public String toString() { return text(); }
                int depth(int length) {
                    int sum = length + 2;
                    next();
                    return sum + length * 2;
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
        before = analyst.analyse(Focus.whole(Set.of(file)).deeply());
    }

    private static Range at(String code) {
        int start = SOURCE.indexOf(code);
        return new Range(start, start + code.length());
    }

    private static Edit code(Range range, String replacement, MovedCode... carried) {
        return Edit.of(range, replacement, Edit.Kind.CODE).carrying(List.of(carried));
    }

    private List<Difference> judge(Edit... edits) {
        FileChange change = new FileChange(
                file, Optional.empty(), before.snapshot().file(file).orElseThrow().text(), List.of(edits));
        return new Guard(analyst).check(before, new Change("test", List.of(change), SymbolEffects.same(), List.of()));
    }

    private static Range beforeReturn() {
        int start = SOURCE.indexOf("return sum");
        return new Range(start, start);
    }

    @Test
    void codeThatStandsElsewhereIsLetThrough() {
        assertEquals(List.of(), judge(
                code(beforeReturn(), "int twice = length * 2; ",
                        new MovedCode(file, at("length * 2"), "int twice = ".length())),
                code(at("length * 2"), "twice")));
    }

    @Test
    void codeThatIsLostIsSeen() {
        assertFalse(judge(code(at("length * 2"), "2")).isEmpty());
        assertFalse(judge(code(at("next();"), "")).isEmpty());
        assertFalse(judge(code(at("+ length * 2"), "")).isEmpty());
    }

    @Test
    void codeThatIsNotWhatItSaysIsSeen() {
        assertFalse(judge(
                code(beforeReturn(), "int twice = length * 3; ",
                        new MovedCode(file, at("length * 2"), "int twice = ".length())),
                code(at("length * 2"), "twice")).isEmpty());
    }

    @Test
    void onlyWhatReadsAndMeansTheSameCountsAsTheSame() {
        assertFalse(judge(
                code(beforeReturn(), "int twice = length * 2; ",
                        new MovedCode(file, at("length * 2"), "int twice = ".length())),
                code(at("length * 2"), "twice"),
                code(at("length + 2"), "twice").giving(List.of(new DuplicateClaim(at("length + 2"), at("length * 2")))))
                .isEmpty());
    }

    @Test
    void aNameThatMeansSomethingElseWhereItIsCarriedIsSeen() {
        int method = SOURCE.indexOf("int next()");
        List<Difference> found = judge(
                code(new Range(method, method), "int length; int twice() { return length * 2; } ",
                        new MovedCode(file, at("length * 2"), "int length; int twice() { return ".length())),
                code(at("length * 2"), "twice()"));
        assertEquals(Set.of(Difference.Kind.BINDING), Set.copyOf(found.stream().map(Difference::kind).toList()));
    }

    @Test
    void onlyWhatCannotBeNoticedMayBeLeftOut() {
        assertFalse(judge(code(at("next();"), "").without(List.of(at("next()")))).isEmpty());
        assertEquals(List.of(), judge(code(at("length * 2"), "2").without(List.of(at("length * 2")))));
    }

    @Test
    void aWholeMemberMayGoWhenNobodyNamesIt() {
        assertFalse(judge(code(at("int next() { return 1; }"), "")).isEmpty());
        assertEquals(List.of(), judge(code(at("int unused() { return 2; }"), "")));
    }

    @Test
    void aMemberThatOverridesAnotherMayNotGo() {
        assertFalse(judge(code(at("public String toString() { return text(); }"), "")).isEmpty());
    }

    @Test
    void aGivenNameThatMeansSomethingElseIsSeen() {
        Edit declared = code(beforeReturn(), "int twice = length * 2; ",
                new MovedCode(file, at("length * 2"), "int twice = ".length()))
                .linking(List.of(new Range(4, 9)));
        assertEquals(List.of(), judge(declared, code(at("length * 2"), "twice").linking(List.of(new Range(0, 5)))));
        assertFalse(judge(declared, code(at("length * 2"), "depth").linking(List.of(new Range(0, 5)))).isEmpty());
    }
}
