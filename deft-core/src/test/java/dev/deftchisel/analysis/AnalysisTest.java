package dev.deftchisel.analysis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class AnalysisTest {

    @TempDir
    private Path folder;
    private SampleWorkspace sample;

    @BeforeEach
    void make() throws IOException {
        sample = new SampleWorkspace(folder);
    }

    /** "line:column role symbol" of each named binding that reads so. */
    private List<String> uses(Path file, String name) {
        Analysis analysis = sample.analyst().analyse(Focus.on(Set.of(file), Set.of(name)));
        SourceFile source = analysis.snapshot().file(file).orElseThrow();
        return analysis.bindings(file).stream()
                .filter(Binding::isNamed)
                .filter(binding -> analysis.text(file, binding.range()).equals(name))
                .map(binding -> source.position(binding.range().start()) + " " + binding.role() + " "
                        + analysis.symbol(binding.key()).map(Symbol::describe).orElse("?"))
                .toList();
    }

    @Test
    void readsAndWritesAreToldApart() throws IOException {
        Path file = sample.write("Berth.java", """
                class Berth {
                    int count;
                    void all(Berth other) {
                        count = 1;
                        (count) += 2;
                        other.count++;
                        int[] a = {count, -count};
                        a[count] = this.count;
                    }
                }
                """);
        assertEquals(List.of(
                "2:9 DECLARATION field Berth.count",
                "4:9 WRITE field Berth.count",
                "5:10 WRITE field Berth.count",
                "6:15 WRITE field Berth.count",
                "7:20 READ field Berth.count",
                "7:28 READ field Berth.count",
                "8:11 READ field Berth.count",
                "8:25 READ field Berth.count"), uses(file, "count"));
    }

    @Test
    void oneNameMayStandForManyThings() throws IOException {
        Path file = sample.write("Sea.java", """
                class Sea {
                    Sea Sea;
                    Sea() { }
                    Sea Sea(Sea Sea) {
                        Sea: for (;;) { if (Sea == null) break Sea; }
                        return new Sea().Sea(this.Sea);
                    }
                }
                """);
        assertEquals(List.of(
                "1:7 DECLARATION class Sea", "2:5 TYPE class Sea", "2:9 DECLARATION field Sea.Sea",
                "3:5 TYPE class Sea",
                "4:5 TYPE class Sea", "4:9 DECLARATION method Sea.Sea(Sea)", "4:13 TYPE class Sea",
                "4:17 DECLARATION parameter Sea", "5:9 DECLARATION label Sea", "5:29 READ parameter Sea",
                "5:48 READ label Sea", "6:20 TYPE class Sea", "6:26 CALL method Sea.Sea(Sea)",
                "6:35 READ field Sea.Sea"), uses(file, "Sea"));
    }

    @Test
    void anEnumConstantNamedLikeItsEnumIsNoType() throws IOException {
        Path file = sample.write("Tide.java", "enum Tide { Tide, LOW { } }");
        assertEquals(List.of("1:6 DECLARATION enum Tide", "1:13 DECLARATION enum constant Tide.Tide"),
                uses(file, "Tide"));
    }

    @Test
    void documentationIsReadPartByPart() throws IOException {
        sample.write("harbour/sea/Wave.java", "package harbour.sea; public class Wave { public void roll(Wave other, "
                + "int n) { } }");
        Path file = sample.write("harbour/Quay.java", """
                package harbour;
                /**
                 * {@link harbour.sea.Wave#roll(harbour.sea.Wave, int) a Wave} and {@code Wave}.
                 * @see harbour.sea.Wave
                 */
                class Quay { }
                """);
        assertEquals(List.of("3:23 DOC class harbour.sea.Wave", "3:45 DOC class harbour.sea.Wave",
                "4:21 DOC class harbour.sea.Wave"), uses(file, "Wave"));
        assertEquals(List.of("3:28 DOC method Wave.roll(Wave, int)"), uses(file, "roll"));
    }

    @Test
    void typesWithoutAFileOfTheirOwnAreFoundInAnyPackageFolder() throws IOException {
        sample.write("odd/place/Harbour.java", "package harbour; class Harbour { } class Pier { int length; }");
        Path file = sample.write("harbour/Use.java", "package harbour; class Use { int a = new Pier().length; }");
        assertEquals(List.of("1:49 READ field Pier.length"), uses(file, "length"));
    }

    @Test
    void bodiesWithoutTheNameAreLeftOut() throws IOException {
        Path file = sample.write("Berth.java", "class Berth { int a() { return nowhere; } int b() { return depth; } "
                + "int depth; }");
        Analysis analysis = sample.analyst().analyse(Focus.on(Set.of(file), Set.of("depth")));
        assertEquals(List.of(), analysis.errors());
        Analysis whole = sample.analyst().analyse(Focus.whole(Set.of(file)));
        assertEquals(List.of("compiler.err.cant.resolve.location"),
                whole.errors().stream().map(CompilerError::code).toList());
    }

    @Test
    void cyclesAndBrokenFilesDoNotStopIt() throws IOException {
        sample.write("A.java", "class A extends B { int depth; }");
        sample.write("B.java", "class B extends A { ");
        sample.write("C.java", "class C { void { ]] \"");
        Path file = sample.write("D.java", "class D extends B { int d = depth; int depth() { return depth; } }");
        assertTrue(uses(file, "depth").contains("1:40 DECLARATION method D.depth()"), uses(file, "depth").toString());
    }

    @Test
    void nothingOfTheWorkspaceIsMistakenForALibrary() throws IOException {
        Path file = sample.write("harbour/Berth.java", "package harbour; class Berth { String name; Berth next; }");
        Analysis analysis = sample.analyst().analyse(Focus.whole(Set.of(file)));
        assertTrue(analysis.symbol(new SymbolKey.Type("harbour.Berth")).orElseThrow().isSource());
        assertFalse(analysis.symbol(new SymbolKey.Type("java.lang.String")).orElseThrow().isSource());
    }

    @Test
    void enclosingTypesKnowWhetherThereIsAThis() throws IOException {
        String source = "class A { class B { static int f() { return 1; } int g() { return 2; } } static class C { "
                + "int h = 3; } }";
        Path file = sample.write("A.java", source);
        Analysis analysis = sample.analyst().analyse(Focus.whole(Set.of(file)));
        assertEquals(List.of("B static", "A static"), enclosing(analysis, file, source.indexOf("1;")));
        assertEquals(List.of("B", "A"), enclosing(analysis, file, source.indexOf("2;")));
        assertEquals(List.of("C", "A static"), enclosing(analysis, file, source.indexOf("3;")));
    }

    private static List<String> enclosing(Analysis analysis, Path file, int offset) {
        return analysis.enclosing(file, offset).stream()
                .map(type -> type.name() + (type.isStatic() ? " static" : ""))
                .toList();
    }

    @Test
    void subtypesAreFoundByTheirHeaders() throws IOException {
        sample.write("A.java", "class A<T> { }");
        sample.write("B.java", "class B extends A<String> { } class Other { A<?> a; }");
        sample.write("C.java", "class C { void f() { class L extends B { } } record R() implements D { } }");
        sample.write("D.java", "interface D { }");
        Set<String> names = new Subtypes(sample.snapshot()).of(Set.of("A")).values().stream()
                .flatMap(List::stream)
                .map(type -> type.nestedName())
                .collect(Collectors.toSet());
        assertEquals(Set.of("A", "B", "C.L"), names);
    }

    @Test
    void workIsToldOfAndCanBeStopped() throws IOException {
        Path file = sample.write("A.java", "class A { }");
        List<String> told = new ArrayList<>();
        Monitor listening = (step, done, total) -> told.add(step + " " + done + "/" + total);
        new Analyst(sample.snapshot(), new Libraries(), listening).analyse(Focus.whole(Set.of(file)));
        assertEquals(List.of("analysing 1/1"), told);
        Monitor stopping = (step, done, total) -> {
            throw new CancellationException();
        };
        assertThrows(CancellationException.class, () ->
                new Analyst(sample.snapshot(), new Libraries(), stopping).analyse(Focus.whole(Set.of(file))));
    }
}
