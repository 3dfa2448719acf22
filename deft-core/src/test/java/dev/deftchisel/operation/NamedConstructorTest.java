package dev.deftchisel.operation;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.Chisel;
import dev.deftchisel.Hierarchy;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class NamedConstructorTest {

    private static final String BERTH = """
            package harbour;

            class Berth {
                final int depth;

                Berth(int depth) {
                    this.depth = depth;
                }

                Berth() {
                    this(5);
                }

                static Berth deep() {
                    return new Berth(20);
                }
            }
            """;
    private static final String PIER = """
            package harbour;

            class Pier extends Berth {
                Pier() {
                    super(7);
                }

                Berth own = new harbour.Berth(8);
                Buoy buoy = new Buoy();
                Berth wide = new Berth(9) { };
            }

            class Buoy { }

            interface Tariff { int due(); }

            record Flat(int due) implements Tariff { }
            """;

    @TempDir
    private Path folder;
    private Path berth;
    private Path pier;
    private Chisel chisel;

    @BeforeEach
    void open() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        berth = workspace.write("harbour/Berth.java", BERTH);
        pier = workspace.write("harbour/Pier.java", PIER);
        chisel = Chisel.open(workspace.request(), Monitor.SILENT);
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private static Place at(Path file, String text, String part) {
        int start = text.indexOf(part);
        return new Place(file, new Range(start, start));
    }

    private String line(Path file, int offset) {
        return file.getFileName() + ":" + chisel.snapshot().source(file).position(offset);
    }

    private String declaration(Place place) {
        return chisel.navigator().declaration(place).map(found -> line(found.file(), found.caret())).orElse("-");
    }

    private List<String> uses(Place place) {
        return chisel.uses(place).map(Uses::all).orElse(List.of()).stream()
                .map(use -> line(use.file(), use.range().start())).toList();
    }

    @Test
    void whereAnObjectIsCreatedItsConstructorIsMeant() {
        assertEquals("Berth.java:6:5", declaration(at(berth, BERTH, "Berth(20)")));
        assertEquals("Berth.java:6:5", declaration(at(berth, BERTH, "new Berth(20)")));
        assertEquals("Berth.java:6:5", declaration(at(pier, PIER, "Berth(8)")));
        assertEquals("Berth.java:6:5", declaration(at(pier, PIER, "Berth(9)")));
        assertEquals("Berth.java:6:5", declaration(at(pier, PIER, "new Berth(9)")));
        assertEquals("Berth.java:6:5", declaration(at(berth, BERTH, "this(5)")));
    }

    @Test
    void elsewhereTheClassIs() {
        assertEquals("Berth.java:3:7", declaration(at(pier, PIER, "Berth own")));
        assertEquals("Berth.java:3:7", declaration(at(pier, PIER, "Berth {")));
        assertEquals("Berth.java:3:7", declaration(at(berth, BERTH, "Berth {")));
    }

    @Test
    void aConstructorThatNobodyWroteIsDeclaredWithItsClass() {
        assertEquals("Pier.java:13:7", declaration(at(pier, PIER, "Buoy()")));
    }

    @Test
    void theUsesOfAConstructorAreItsCallsWhereTheNameStands() {
        assertEquals(List.of("Berth.java:6:5", "Berth.java:11:9", "Berth.java:15:20", "Pier.java:5:9",
                "Pier.java:8:29", "Pier.java:10:22"), uses(at(berth, BERTH, "Berth(int")));
        assertEquals(List.of("Berth.java:10:5"), uses(at(berth, BERTH, "Berth() {")));
    }

    @Test
    void theDeclarationOfAConstructorIsNoUseOfItsClass() {
        assertEquals(List.of("Berth.java:3:7", "Berth.java:14:12", "Berth.java:15:20", "Pier.java:3:20",
                "Pier.java:8:5", "Pier.java:8:29", "Pier.java:10:5", "Pier.java:10:22"),
                uses(at(berth, BERTH, "Berth {")));
    }

    @Test
    void callersOfAConstructorCreateObjects() {
        List<String> callers = chisel.hierarchy().callers(at(berth, BERTH, "Berth(int")).stream()
                .map(Hierarchy.Calls::other).map(member -> member.sketch().name()).toList();
        assertEquals(List.of("Berth", "deep", "Pier", "own", "wide"), callers);
    }

    @Test
    void aComponentOfARecordImplementsWhatItsAccessorDoes() {
        List<String> found = chisel.navigator().implementations(at(pier, PIER, "due();")).stream()
                .map(place -> line(place.file(), place.caret())).toList();
        assertEquals(List.of("Pier.java:17:17"), found);
    }
}
