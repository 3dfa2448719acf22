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
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the guard lets be opened, and what it does not. */
class OpenedAccessTest {

    private static final String SOURCE = """
            class Berth {
                private int depth;
                protected int length;
                private int rate() { return depth; }
            }
            class Quay extends Berth {
                int rate() { return 3; }
                class Mooring { int depth; }
            }
            """;
    private static final SymbolKey BERTH = new SymbolKey.Type("Berth");
    private static final SymbolKey DEPTH = new SymbolKey.Field(BERTH, "depth");
    private static final SymbolKey LENGTH = new SymbolKey.Field(BERTH, "length");

    @TempDir
    private Path folder;
    private Path file;
    private Analyst analyst;

    @BeforeEach
    void open() throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        file = sample.write("Berth.java", SOURCE);
        sample.write("Pier.java", "class Pier { int depth = 2; }");
        analyst = sample.analyst();
    }

    /** @param declaration with the text that is replaced at its start */
    private List<Difference> judge(Focus focus, Set<SymbolKey> opened, String declaration, String old,
            String replacement) {
        int at = SOURCE.indexOf(declaration);
        Edit edit = Edit.of(new Range(at, at + old.length()), replacement, Edit.Kind.ACCESS);
        Analysis before = analyst.analyse(focus);
        FileChange change = new FileChange(file, Optional.empty(), before.snapshot().file(file).orElseThrow()
                .text(), List.of(edit));
        return new Guard(analyst).check(before, new Change("test", List.of(change), SymbolEffects.same()
                .opening(opened), List.of()));
    }

    private List<Difference> judge(Set<SymbolKey> opened, String declaration, String old, String replacement) {
        return judge(Focus.whole(Set.of(file, folder.resolve("Pier.java"))), opened, declaration, old, replacement);
    }

    private static void isUnproven(List<Difference> found) {
        assertEquals(List.of(Difference.Kind.UNPROVEN), found.stream().map(Difference::kind)
                .toList(), found.toString());
        assertTrue(found.get(0).sentence().endsWith("that is a fault of deft"), found.toString());
    }

    @Test
    void aFieldThatNobodyFindsInsteadOfAnotherIsLetThrough() {
        assertEquals(List.of(), judge(Set.of(DEPTH), "private int depth", "private ", ""));
        assertEquals(List.of(), judge(Set.of(LENGTH), "protected int length", "protected ", "public "));
    }

    @Test
    void moreThanTheModifierIsSeen() {
        isUnproven(judge(Set.of(DEPTH), "private int depth", "private int", "int"));
    }

    @Test
    void aDeclarationThatTheChangeDoesNotOpenIsSeen() {
        isUnproven(judge(Set.of(), "private int depth", "private ", ""));
        isUnproven(judge(Set.of(LENGTH), "private int depth", "private ", ""));
    }

    @Test
    void closingIsSeen() {
        isUnproven(judge(Set.of(LENGTH), "protected int length", "protected ", ""));
    }

    @Test
    void aMethodThatASubclassWouldOverrideIsSeen() {
        SymbolKey rate = new SymbolKey.Method(BERTH, "rate", "()I");
        assertEquals(List.of(Difference.Kind.OVERRIDING),
                judge(Set.of(rate), "private int rate", "private ", "").stream().map(Difference::kind).toList());
    }

    @Test
    void filesAndBodiesThatMentionItMustBeLookedAt() {
        isUnproven(judge(Focus.whole(Set.of(file)), Set.of(DEPTH), "private int depth", "private ", ""));
        isUnproven(judge(Focus.on(Set.of(file, folder.resolve("Pier.java")), Set.of("rate")), Set.of(DEPTH),
                "private int depth",
                "private ", ""));
    }
}
