package dev.deftchisel.analysis;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.SampleWorkspace;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** By what names a file may come to a vessel without naming one. */
class ReceiverNamesTest {

    @TempDir
    private Path folder;

    private Set<String> names(String code) throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        workspace.write("harbour/Vessel.java", "package harbour; class Vessel { int size() { return 1; } }");
        workspace.write("harbour/Others.java", "package harbour; " + code);
        return new TreeSet<>(ReceiverNames.of("Vessel", "size", workspace.analyst()).orElseThrow());
    }

    @Test
    void whatIsDeclaredWithItOrReturnsIt() throws Exception {
        assertEquals(Set.of("Vessel", "moored", "second", "found", "all"), names("""
                class Berth {
                    Vessel moored, second;
                    private Vessel hidden;
                    int number;
                    Vessel found() { Vessel local = null; return local; }
                    static java.util.List<? extends Vessel> all() { return null; }
                    void moor(Vessel vessel) { }
                }
                """));
    }

    @Test
    void typesBelowAndThoseThatInheritMembersWithIt() throws Exception {
        assertEquals(Set.of("Vessel", "Ferry", "Queue", "Line", "queue", "line"), names("""
                class Ferry extends Vessel { Ferry next; }
                class Queue extends java.util.ArrayList<Ferry> { Vessel first; }
                class Line<T extends Vessel> { T last; }
                class Pier { Queue queue; Line<?> line() { return null; } }
                """));
    }

    @Test
    void whatIsAboveAndDeclaresTheMemberToo() throws Exception {
        assertEquals(Set.of("Vessel", "Ferry", "Sized", "Tug", "sized"), names("""
                interface Sized { int size(); }
                interface Named { }
                class Ferry extends Vessel implements Sized, Named { }
                class Tug implements Sized { public int size() { return 2; } }
                class Pier { Sized sized; Named named; }
                """));
    }

    @Test
    void recordsThatArePatternsAndInterfacesThatAreLambdas() throws Exception {
        assertEquals(Set.of("Vessel", "Call", "Visitor", "Guest", "accept", "greet", "each", "calls"), names("""
                record Call(Vessel vessel, int number) { }
                interface Visitor { void visit(Vessel vessel); }
                interface Guest extends Visitor { }
                interface Wide { void a(Vessel v); void b(); void c(); void d(); }
                class Pier {
                    void accept(Visitor visitor) { }
                    void greet(Guest guest) { }
                    void each(java.util.function.Consumer<Vessel> consumer) { }
                    void wide(Wide wide) { }
                    Call[] calls;
                }
                """));
    }
}
