package dev.deftchisel;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Code that is nested far deeper than an ordinary stack, as generated code may be. */
class DeepCodeTest {

    private static final String TEXT = "class Berth {\n    String log = \"\" + Berth.class" + " + \"a\"".repeat(7000)
            + ";\n    int depth;\n}\n";

    @TempDir
    private Path folder;
    private Path file;
    private Chisel chisel;

    @BeforeEach
    void open() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        file = workspace.write("Berth.java", TEXT);
        chisel = Chisel.open(workspace.request(), Monitor.SILENT);
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private Place at(int offset) {
        return new Place(file, new Range(offset, offset));
    }

    @Test
    void offersAreMadeWithinIt() {
        assertTrue(!chisel.offers(at(TEXT.length() / 2)).isEmpty(), "there is an offer");
        assertTrue(chisel.offers(at(TEXT.indexOf("log"))).stream()
                .anyMatch(offer -> offer.operation().equals("rename")));
    }

    @Test
    void namesAreFoundWithinIt() {
        assertEquals("depth", chisel.navigator().symbol(at(TEXT.indexOf("depth"))).orElseThrow().name());
        assertEquals(2, chisel.uses(at(TEXT.indexOf("Berth"))).orElseThrow().all().size());
    }
}
