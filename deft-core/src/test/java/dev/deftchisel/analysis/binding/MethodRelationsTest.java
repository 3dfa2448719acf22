package dev.deftchisel.analysis.binding;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKey;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MethodRelationsTest {

    @TempDir
    private Path folder;

    /**
     * The relations of the methods called {@code moor} and {@code leave}, as lines like {@code "Ferry: a OVERRIDES b"}.
     */
    private List<String> relations(String source) throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        Path file = sample.write("Ship.java", source);
        return sample.analyst().analyse(Focus.whole(Set.of(file)))
                .methodRelations(Set.of("moor", "leave", "toString"), Set.of()).stream()
                .map(pair -> name(pair.type()) + ": " + name(pair.method()) + " " + pair.kind() + " "
                        + name(pair.other()))
                .sorted()
                .toList();
    }

    private static String name(SymbolKey key) {
        return key instanceof SymbolKey.Method method
                ? name(method.owner()) + "." + method.name()
                : ((SymbolKey.Type) key).binaryName().replace("java.lang.", "");
    }

    @Test
    void aMethodOverridesThatOfItsSuperclass() throws IOException {
        assertEquals(List.of("Ferry: Ferry.moor OVERRIDES Ship.moor"), relations(
                "class Ship { void moor() { } } class Ferry extends Ship { void moor() { } void leave() { } }"));
    }

    @Test
    void methodsOfOtherNamesHaveNothingToDoWithEachOther() throws IOException {
        assertEquals(List.of(), relations(
                "interface Ship { void moor(); } interface Boat { void leave(); } interface Ferry extends Ship, Boat "
                + "{ }"));
    }

    @Test
    void aSubclassJoinsAnInheritedMethodWithAnInterface() throws IOException {
        assertEquals(List.of("Ferry: Ship.moor OVERRIDES Boat.moor"), relations(
                "class Ship { public void moor() { } } interface Boat { void moor(); } class Ferry extends Ship "
                + "implements Boat { }"));
    }

    @Test
    void abstractMethodsOfTwoInterfacesAreOne() throws IOException {
        assertEquals(List.of("Ferry: Boat.moor MERGES Ship.moor", "Ferry: Ship.moor MERGES Boat.moor"), relations(
                "interface Ship { void moor(); } interface Boat { void moor(); } interface Ferry extends Ship, Boat { "
                + "}"));
    }

    @Test
    void aMethodOfTheClassSettlesWhatItsInterfacesBring() throws IOException {
        assertEquals(List.of("Ferry: Ferry.moor OVERRIDES Boat.moor", "Ferry: Ferry.moor OVERRIDES Ship.moor"),
                relations(
                "interface Ship { default void moor() { } } interface Boat { default void moor() { } }"
                        + " class Ferry implements Ship, Boat { public void moor() { } }"));
    }

    @Test
    void twoDefaultsClash() throws IOException {
        assertEquals(List.of("Ferry: Boat.moor CLASHES Ship.moor", "Ferry: Ship.moor CLASHES Boat.moor"), relations(
                "interface Ship { default void moor() { } } interface Boat { default void moor() { } }"
                        + " class Ferry implements Ship, Boat { }"));
    }

    @Test
    void aStaticMethodClashesWithWhatAnInterfaceAsks() throws IOException {
        assertEquals(List.of("Ferry: Boat.moor CLASHES Ship.moor", "Ferry: Ship.moor CLASHES Boat.moor"), relations(
                "class Ship { public static void moor() { } } interface Boat { void moor(); }"
                        + " abstract class Ferry extends Ship implements Boat { }"));
    }

    @Test
    void aStaticMethodOfAnInterfaceIsNotInherited() throws IOException {
        assertEquals(List.of(), relations("interface Ship { static void moor() { } } interface Boat { void moor(); }"
                + " abstract class Ferry implements Ship, Boat { }"));
    }

    @Test
    void privateMethodsAreNotInherited() throws IOException {
        assertEquals(List.of(), relations("class Ship { private void moor() { } } interface Boat { void moor(); }"
                + " abstract class Ferry extends Ship implements Boat { }"));
    }

    @Test
    void anInterfaceMayRepeatAMethodOfObject() throws IOException {
        assertEquals(List.of("Ship: Ship.toString OVERRIDES Object.toString"),
                relations("interface Ship { String toString(); void moor(); }"));
    }
}
