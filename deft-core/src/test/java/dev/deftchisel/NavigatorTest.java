package dev.deftchisel;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class NavigatorTest {

    private static final String PLACES = """
            package harbour;

            interface Place {
                int room();

                default Place next() { return this; }
            }

            class Berth implements Place {
                public int room() { return 1; }

                int room(int by) { return by; }
            }
            """;
    private static final String OTHERS = """
            package harbour;

            class Pier extends Berth {
                @Override public int room() { return next().room(); }

                Object own = new Place() { public int room() { return 3; } };

                Berth berth;
                String name = "" + berth;
            }
            """;

    @TempDir
    private Path folder;
    private Path places;
    private Path others;
    private Chisel chisel;

    @BeforeEach
    void open() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        places = workspace.write("harbour/Places.java", PLACES);
        others = workspace.write("harbour/Others.java", OTHERS);
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

    private String line(Place place) {
        return place.file().getFileName() + ":" + chisel.snapshot().file(place.file()).orElseThrow()
                .position(place.caret());
    }

    private List<String> implementations(Place place) {
        return chisel.navigator().implementations(place).stream().map(this::line).toList();
    }

    @Test
    void theMethodsThatOverrideOneAreItsImplementations() {
        assertEquals(List.of("Others.java:4:26", "Others.java:6:43", "Places.java:10:16"),
                implementations(at(places, PLACES, "room();")));
        assertEquals(List.of("Others.java:4:26"), implementations(at(places, PLACES, "room() { return 1")));
    }

    @Test
    void theTypesBelowOneAreItsImplementations() {
        assertEquals(List.of("Others.java:3:7", "Places.java:9:7"), implementations(at(places, PLACES, "Place {")));
        assertEquals(List.of(), implementations(at(others, OTHERS, "Pier")));
    }

    @Test
    void theTypeOfAValueIsFoundWhereItIsDeclared() {
        assertEquals(Optional.of("Places.java:9:7"), chisel.navigator().typeDeclaration(at(others, OTHERS, "berth;"))
                .map(this::line));
        assertEquals(Optional.of("Places.java:3:11"), chisel.navigator().typeDeclaration(at(others, OTHERS, "next()"))
                .map(this::line));
        assertEquals(Optional.empty(), chisel.navigator().typeDeclaration(at(others, OTHERS, "name =")));
    }
}
