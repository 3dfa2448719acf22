package dev.deftchisel;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.navigation.CallSignatures;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HierarchyTest {

    private static final String BERTH = """
            package harbour;

            interface Place { int room(); }

            interface Lit extends Place { }

            class Berth implements Lit, Comparable<Berth> {
                public int room() { return size(); }
                private int size() { return Math.abs(3); }
                public int compareTo(Berth other) { return other.size() - size(); }
            }

            class Dock extends Berth { Dock() { super(); } }
            """;
    private static final String QUAY = """
            package harbour;

            class Quay {
                int all = new Dock().room();
                int count(Place one, Place... more) { return one.room() + one.room() + more[0].room(); }
                int count(Place one) { return count(one, one); }
                void open() { count(new Dock(), }
            }
            """;

    @TempDir
    private Path folder;
    private Path berth;
    private Path quay;
    private Chisel chisel;

    @BeforeEach
    void open() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        berth = workspace.write("harbour/Berth.java", BERTH);
        quay = workspace.write("harbour/Quay.java", QUAY);
        chisel = Chisel.open(workspace.request(), Monitor.SILENT);
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private Place at(Path file, String text) {
        int offset = chisel.snapshot().file(file).orElseThrow().content().indexOf(text);
        assertTrue(offset >= 0, text);
        return new Place(file, new Range(offset, offset));
    }

    private static String shown(List<Hierarchy.Calls> calls) {
        return calls.stream().map(one -> one.other().container() + "." + one.other().sketch()
                .name() + " " + one.ranges().size())
                .collect(Collectors.joining(", "));
    }

    private static String names(List<Hierarchy.Member> members) {
        return members.stream().map(one -> one.sketch().name()).collect(Collectors.joining(", "));
    }

    @Test
    void callersAreMembersEachWithItsCalls() {
        assertEquals("Berth.room 1, Berth.compareTo 2", shown(chisel.hierarchy().callers(at(berth, "size() {"))));
    }

    @Test
    void whoCallsThroughTheTypeAboveCallsItToo() {
        assertEquals("Quay.all 1, Quay.count 3", shown(chisel.hierarchy().callers(at(berth, "room() { return"))));
    }

    @Test
    void calleesAreThoseOfTheWorkspace() {
        assertEquals("Berth.size 2", shown(chisel.hierarchy().callees(at(berth, "compareTo"))));
        assertEquals("", shown(chisel.hierarchy().callees(at(berth, "size() {"))));
    }

    @Test
    void typesDirectlyAboveAndBelow() {
        assertEquals("Lit", names(chisel.hierarchy().supertypes(at(berth, "Berth implements"))));
        assertEquals("Dock", names(chisel.hierarchy().subtypes(at(berth, "Berth implements"))));
        assertEquals("Lit", names(chisel.hierarchy().subtypes(at(berth, "Place {"))));
        assertEquals("", names(chisel.hierarchy().subtypes(at(berth, "Dock extends"))));
    }

    @Test
    void whatIsNoDeclarationOfTheWorkspaceIsNone() {
        assertTrue(chisel.hierarchy().declared(at(berth, "Comparable")).isEmpty());
        assertEquals("room", chisel.hierarchy().declared(at(quay, "room() + one")).orElseThrow().sketch().name());
    }

    private String signatures(Place place) {
        return chisel.navigator().signatures(place)
                .map(found -> found.argument() + " of " + found.all().get(found.active()).text()
                + " (" + found.all().size() + ")").orElse("none");
    }

    @Test
    void aCallKnowsWhatItCanHandOver() {
        assertEquals("1 of count(Place one, Place... more): int (2)", signatures(at(quay, "one); }")));
        assertEquals("0 of Dock() (1)", signatures(at(quay, ").room();")));
        assertEquals("none", signatures(at(quay, "class Quay")));
    }

    @Test
    void argumentsThatAreBeingWrittenDoNotParse() {
        String found = signatures(at(quay, " }\n}"));
        assertTrue(found.startsWith("1 of count(Place one, Place... more)"), found);
    }

    @Test
    void parametersStandInTheText() {
        CallSignatures found = chisel.navigator().signatures(at(quay, "one); }")).orElseThrow();
        CallSignatures.Signature second = found.all().get(1);
        assertEquals(List.of("Place one", "Place... more"), second.parameters().stream()
                .map(range -> second.text().substring(range.start(), range.end())).toList());
    }
}
