package dev.deftchisel.proving.dataflow;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.oracle.Rename;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SameEffectsTest {

    private static final SymbolKey.Type TARIFF = new SymbolKey.Type("Tariff");

    /** {@code due(int days, long rate)} becomes {@code due(long rate, int days)}. */
    private static final Rename SWAPPED = signature("due", "(IJ)J", "(JI)J", List.of(1, 0));

    @TempDir
    private Path folder;

    private static Rename signature(String name, String descriptor, String now, List<Integer> origins) {
        SymbolKey key = new SymbolKey.Method(TARIFF, name, descriptor);
        return new Rename("change", SymbolEffects.same().with(Map.of(key, new NewSignature(now, Optional.of(origins)))),
                Map.of());
    }

    private CompiledCode compiled(String source) throws IOException {
        Files.writeString(folder.resolve("Tariff.java"), source);
        CompiledCode code = CompiledCode.of(Snapshot.read(
                new Workspaces(List.of()).open(OpenRequest.plain(folder, List.of(folder), List.of()))));
        assertEquals(List.of(), code.errors());
        return code;
    }

    private Optional<String> objection(String before, String after, Rename change) throws IOException {
        return new SameEffects().objection(compiled(before), compiled(after), List.of(change));
    }

    private Optional<String> swapped(String before, String after) throws IOException {
        return objection("class Tariff { static long due(int days, long rate) { return days * rate; } " + before + " }",
                "class Tariff { static long due(long rate, int days) { return days * rate; } " + after + " }", SWAPPED);
    }

    @Test
    void argumentsMayStandInAnotherOrder() throws IOException {
        assertEquals(Optional.empty(), swapped("long week(int a, long b) { return due(a + 1, b); }",
                "long week(int a, long b) { return due(b, a + 1); }"));
    }

    @Test
    void whatIsPassedStaysTheSame() throws IOException {
        String found = swapped("long week(int a, int b) { return due(a, b); }",
                "long week(int a, int b) { return due(a, b); }").orElseThrow();
        assertTrue(found.contains("Tariff.due (JI)J"), found);
    }

    @Test
    void aVariableMayHoldAnArgumentBefore() throws IOException {
        String more = "int n() { return 1; } long m() { return 2; } ";
        assertEquals(Optional.empty(), swapped(more + "long week() { return due(n(), m()); }",
                more + "long week() { int days = n(); return due(m(), days); }"));
        assertTrue(swapped(more + "long week() { return due(n(), m()); }",
                more + "long week() { return due(m(), n()); }").isPresent());
    }

    @Test
    void valuesAreFollowedThroughLoops() throws IOException {
        String loop = "long sum() { int a = 0; long b = 1; long s = 0; while (a < 9) { s += CALL; a++; b *= 2; } "
                + "return s; }";
        assertEquals(Optional.empty(), swapped(loop.replace("CALL", "due(a, b)"), loop.replace("CALL", "due(b, a)")));
        assertTrue(swapped(loop.replace("CALL", "due(a, b)"), loop.replace("CALL", "due(a, a)")).isPresent());
        assertTrue(swapped(loop.replace("CALL", "due(a, b)"), loop.replace("CALL", "due(b, a)").replace("b *= 2",
                "b *= 3")).isPresent());
    }

    @Test
    void lambdasAreLookedInto() throws IOException {
        String use = "java.util.function.IntToLongFunction f(long rate) { return d -> CALL; }";
        assertEquals(Optional.empty(), swapped(use.replace("CALL", "due(d, rate)"),
                use.replace("CALL", "due(rate, d)")));
        assertTrue(swapped(use.replace("CALL", "due(d, rate)"), use.replace("CALL", "due(rate, d + 1)")).isPresent());
    }

    @Test
    void theBodyTakesEachParameterForWhatItWas() throws IOException {
        assertTrue(objection("class Tariff { static int due(int a, int b) { return a - b; } }",
                "class Tariff { static int due(int a, int b) { return a - b; } }",
                signature("due", "(II)I", "(II)I", List.of(1, 0))).isPresent());
        assertEquals(Optional.empty(), objection("class Tariff { static int due(int a, int b) { return a - b; } }",
                "class Tariff { static int due(int b, int a) { return a - b; } }",
                signature("due", "(II)I", "(II)I", List.of(1, 0))));
    }

    @Test
    void parametersMayComeAndGo() throws IOException {
        assertEquals(Optional.empty(), objection(
                "class Tariff { int due(int a) { return 1; } int all() { return due(2) + due(3); } }",
                "class Tariff { int due(String s) { return 1; } int all() { return due(\"\") + due(\"\"); } }",
                signature("due", "(I)I", "(Ljava.lang.String;)I", List.of(NewSignature.ADDED))));
    }

    @Test
    void theConstructorOfAnEnumGetsMoreThanIsWritten() throws IOException {
        String source = "enum Tariff { LOW(ONE), HIGH(OTHER); Tariff(PARAMETERS) { System.out.println(a); } }";
        Rename swap = signature("<init>", "(ILjava.lang.String;)V", "(Ljava.lang.String;I)V", List.of(1, 0));
        assertEquals(Optional.empty(), objection(source.replace("ONE", "1, \"l\"").replace("OTHER", "2, \"h\"")
                .replace("PARAMETERS", "int a, String b"), source.replace("ONE", "\"l\", 1").replace("OTHER",
                "\"h\", 2").replace("PARAMETERS", "String b, int a"), swap));
        assertTrue(objection(source.replace("ONE", "1, \"l\"").replace("OTHER", "2, \"h\"")
                .replace("PARAMETERS", "int a, String b"), source.replace("ONE", "\"l\", 2").replace("OTHER",
                "\"h\", 2").replace("PARAMETERS", "String b, int a"), swap).isPresent());
    }

    @Test
    void theObjectMayBecomeAParameter() throws IOException {
        SymbolKey key = new SymbolKey.Method(TARIFF, "due", "(I)I");
        Rename change = new Rename("change", SymbolEffects.same().with(Map.of(key, new NewSignature("(LTariff;I)I",
                Optional.of(List.of(NewSignature.OBJECT, 0)), new NewSignature.CalledOn.Nothing(),
                Optional.empty(), Map.of()))), Map.of());
        String before = "class Tariff { int rate; int due(int a) { return a * rate; } "
                + "int week(Tariff t) { return t.due(7) + due(8); } }";
        String after = "class Tariff { int rate; static int due(Tariff t, int a) { return a * t.rate; } "
                + "int week(Tariff t) { return Tariff.due(t, 7) + Tariff.due(OBJECT, 8); } }";
        assertEquals(Optional.empty(), objection(before, after.replace("OBJECT", "this"), change));
        assertTrue(objection(before, after.replace("OBJECT", "t"), change).isPresent());
    }

    @Test
    void aMethodWithoutABodyDoesNothing() throws IOException {
        String source = "interface Tariff { int due(int a); default int week() { return due(7); } }";
        assertEquals(Optional.empty(), objection(source, source.replace("due", "toll"), new Rename("change",
                new SymbolEffects(Map.of(new SymbolKey.Method(TARIFF, "due", "(I)I"), "toll"), Map.of()), Map.of())));
    }
}
