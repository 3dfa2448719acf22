package dev.deftchisel.proving.oracle;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.Harbour;
import dev.deftchisel.proving.oracle.step.BytesOutsideEdits;
import dev.deftchisel.proving.oracle.step.UndoGivesBack;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Each oracle passes a change that is right, and objects to a workspace that someone tampered with. */
class TrialOraclesTest {

    @TempDir
    private Path folder;
    private Chisel chisel;
    private Path file;
    private Applied applied;

    @BeforeEach
    void rename() throws IOException {
        chisel = Chisel.open(Harbour.of(folder, "Berth.java",
                "class Berth {\r\n\tint depth; // ~ \uD83D\uDEA2\r\n\tint twice() { return depth * 2; }\r\n}")
                .request(), Monitor.SILENT);
        Place place = chisel.place("Berth#depth");
        file = place.file();
        Outcome.Preview preview = (Outcome.Preview) chisel.preview(place, "rename", Answers.of("name", "water"));
        Map<Path, byte[]> before = Applied.bytesBefore(preview.change());
        chisel.apply(preview);
        applied = new Applied(place, "depth", preview.change(), before, "rename", Answers.none());
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private Optional<String> objection(TrialOracle oracle) throws IOException {
        return oracle.objection(chisel, applied);
    }

    @Test
    void aRightChangePassesAll() throws IOException {
        assertEquals(Optional.empty(), objection(new BytesOutsideEdits()));
        assertEquals(Optional.empty(), objection(new UndoGivesBack()));
        assertEquals(Optional.empty(), objection(new RenamedBack()));
        assertTrue(Files.readString(file).contains("water"), "the change stands again after undo and redo");
    }

    @Test
    void aByteOutsideTheEditsIsSeen() throws IOException {
        Files.writeString(file, Files.readString(file).replace("\r\n\tint twice", "\n\tint twice"));
        assertTrue(objection(new BytesOutsideEdits()).orElseThrow()
                .endsWith("differs outside the edits of the preview"));
    }

    @Test
    void aSourceThatDoesNotComeBackIsSeen() throws IOException {
        applied = new Applied(applied.place(), "fathoms", applied.change(), applied.before(), "rename", Answers.none());
        assertTrue(objection(new RenamedBack()).orElseThrow().startsWith("renaming back leaves"));
    }

    @Test
    void anUndoThatGivesBackSomethingElseIsSeen() throws IOException {
        applied = new Applied(applied.place(), "depth", applied.change(), Map.of(file, "class Berth { }".getBytes()),
                "rename",
                Answers.none());
        assertTrue(objection(new UndoGivesBack()).orElseThrow().startsWith("undo does not give back"));
    }
}
