package dev.deftchisel.proving.oracle;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.proving.compiled.CompiledCode;
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

class SameClassesTest {

    @TempDir
    private Path folder;

    private CompiledCode compiled(String source) throws IOException {
        Files.writeString(folder.resolve("Berth.java"), source);
        CompiledCode code = CompiledCode.of(Snapshot.read(
                new Workspaces(List.of()).open(OpenRequest.plain(folder, List.of(folder), List.of()))));
        assertEquals(List.of(), code.errors());
        return code;
    }

    private Optional<String> objection(String before, String after, SymbolKey key, String oldName, String newName)
            throws IOException {
        Rename rename = new Rename("rename", new SymbolEffects(Map.of(key, newName), Map.of()), Map.of(key, oldName));
        return SameClasses.WITHOUT_PROCESSORS.objection(compiled(before), compiled(after), List.of(rename));
    }

    private static final SymbolKey BERTH = new SymbolKey.Type("Berth");

    @Test
    void aFieldMayBeCalledOtherwiseAndNothingElse() throws IOException {
        SymbolKey depth = new SymbolKey.Field(BERTH, "depth");
        String before = "class Berth { int depth; Runnable r = () -> { depth++; }; }";
        assertEquals(Optional.empty(), objection(
                before, "class Berth { int water; Runnable r = () -> { water++; }; }", depth, "depth", "water"));
        String found = objection(
                before, "class Berth { int water; Runnable r = () -> { water--; }; }", depth, "depth", "water")
                .orElseThrow();
        assertTrue(found.contains("'IADD' became 'ISUB'"), found);
    }

    @Test
    void aMemberOfTheSameNameIsNotTheSameMember() throws IOException {
        String found = objection(
                "class Berth { int low; int high; int sum() { return low - high; } }",
                "class Berth { int down; int high; int sum() { return high - down; } }",
                new SymbolKey.Field(BERTH, "low"), "low", "down").orElseThrow();
        assertTrue(found.contains("Berth"), found);
    }

    @Test
    void aMethodIsFollowedThroughLambdasAndBridges() throws IOException {
        SymbolKey key = new SymbolKey.Method(new SymbolKey.Type("Berth$Rule"), "allows", "(Ljava.lang.Object;)Z");
        SymbolKey own = new SymbolKey.Method(new SymbolKey.Type("Berth$Own"), "allows", "(Ljava.lang.String;)Z");
        String source = """
                class Berth {
                    interface Rule<T> { boolean NAME(T ship); }
                    static class Own implements Rule<String> { public boolean NAME(String ship) { return true; } }
                    Rule<String> all = ship -> new Own().NAME(ship);
                    Rule<String> same = new Own()::NAME;
                }
                """;
        Rename rename = new Rename("rename", new SymbolEffects(Map.of(key, "permits", own, "permits"), Map.of()),
                Map.of(key, "allows", own, "allows"));
        assertEquals(Optional.empty(), SameClasses.WITHOUT_PROCESSORS
                .objection(compiled(source.replace("NAME", "allows")),
                compiled(source.replace("NAME", "permits")), List.of(rename)));
        Rename half = new Rename("rename", new SymbolEffects(Map.of(key, "permits"), Map.of()), Map.of(key, "allows"));
        assertTrue(SameClasses.WITHOUT_PROCESSORS.objection(compiled(source.replace("NAME", "allows")),
                compiled(source.replace("NAME", "permits")), List.of(half)).isPresent());
    }

    @Test
    void aMethodOfAnAnonymousClassIsTheOneItOverrides() throws IOException {
        SymbolKey key = new SymbolKey.Method(new SymbolKey.Type("Berth$Rule"), "allows", "(Ljava.lang.Object;)Z");
        String source = """
                class Berth {
                    interface Rule<T> { boolean NAME(T ship); }
                    boolean open = new Rule<String>() { public boolean NAME(String ship) { return true; } }.NAME("Tern");
                    boolean shut = new Rule<Object>() { public boolean NAME(Object ship) { return true; } }.NAME("Tern");
                }
                """;
        assertEquals(Optional.empty(), objection(
                source.replace("NAME", "allows"), source.replace("NAME", "permits"), key, "allows", "permits"));
    }

    @Test
    void anEnumConstantTakesItsTextAlong() throws IOException {
        String source = "enum Berth { NAME, WEST { }; static Berth of(int i) { return switch (values()[i]) {"
                + " case NAME -> WEST; default -> NAME; }; } }";
        assertEquals(Optional.empty(), objection(source.replace("NAME", "EAST"), source.replace("NAME", "NORTH"),
                new SymbolKey.Field(BERTH, "EAST"), "EAST", "NORTH"));
    }

    @Test
    void aRecordComponentIsFieldAccessorAndParameter() throws IOException {
        String source = "record Berth(int NAME, String mole) { Berth { if (NAME < 0) { throw new Error(); } } }";
        SymbolKey field = new SymbolKey.Field(BERTH, "number");
        SymbolKey accessor = new SymbolKey.Method(BERTH, "number", "()I");
        Rename rename = new Rename("rename", new SymbolEffects(Map.of(field, "id", accessor, "id"), Map.of()),
                Map.of(field, "number", accessor, "number"));
        assertEquals(Optional.empty(), SameClasses.WITHOUT_PROCESSORS.objection(
                compiled(source.replace("NAME", "number")), compiled(source.replace("NAME", "id")), List.of(rename)));
    }

    @Test
    void aTypeTakesWhatIsNestedInItAlong() throws IOException {
        String source = "class Berth { static class NAME { class Deep { } Object o = new Object() { }; } NAME.Deep "
                + "deep; }";
        assertEquals(Optional.empty(), objection(source.replace("NAME", "Mole"), source.replace("NAME", "Pier"),
                new SymbolKey.Type("Berth$Mole"), "Mole", "Pier"));
    }

    @Test
    void captureAndTypeVariablesLeaveOnlyTraces() throws IOException {
        String source = "class Berth<NAME> { Runnable r(int NAME) { return new Runnable() { public void run() {"
                + " System.out.println(NAME); } }; } }";
        SymbolKey local = new SymbolKey.Local(folder.resolve("Berth.java"), 1);
        assertEquals(Optional.empty(), objection(
                source.replace("NAME", "T"), source.replace("NAME", "U"), local, "T", "U"));
    }

    @Test
    void aNewKindOfWarningIsToldAndAnErrorToo() throws IOException {
        CompiledCode before = compiled("class Berth { java.util.List<String> ships; }");
        CompiledCode raw = compiled("class Berth { java.util.List ships; }");
        assertEquals(Optional.of("new kinds of warnings: compiler.warn.raw.class.use"),
                new NoNewDiagnostics().objection(before, raw, List.of()));
        assertEquals(Optional.empty(), new NoNewDiagnostics().objection(raw, before, List.of()));
    }

    @Test
    void aMethodInheritedFromTwoInterfacesIsTakenFromEither() throws IOException {
        CompiledCode code = compiled("interface Dry { void clear(); } interface Wet { void clear(); } interface Both "
                + "extends Dry, Wet { }"
                + " interface Else { void clear(); }");
        ClassIndex index = ClassIndex.of(code.classes().values());
        assertTrue(SameClasses.isEitherOfTwo("    Dry.clear()V itf,", "    Wet.clear()V itf,", index));
        assertTrue(!SameClasses.isEitherOfTwo("    Dry.clear()V itf,", "    Else.clear()V itf,", index));
        assertTrue(!SameClasses.isEitherOfTwo("    Dry.clear()V itf,", "    Wet.close()V itf,", index));
    }
}
