package dev.deftchisel;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.journal.JournalException;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files that are being edited elsewhere: what stands there counts, not what is on disk. */
class EditedTextsTest {

    private static final String SAVED = "class Berth {\n    int depth;\n}\n";
    private static final String EDITED = "class Berth {\n    int length;\n    int twice = length;\n}\n";

    @TempDir
    private Path folder;
    private Path file;
    private Chisel chisel;

    @BeforeEach
    void open() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        file = workspace.write("Berth.java", SAVED);
        chisel = Chisel.open(workspace.request(), Monitor.SILENT);
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private Place at(String text, String part) {
        int start = text.indexOf(part);
        return new Place(file, new Range(start, start));
    }

    @Test
    void usesAndDeclarationsAreThoseOfTheEditedText() {
        chisel.edited(Map.of(file, EDITED));
        Place use = new Place(file, new Range(EDITED.lastIndexOf("length"), EDITED.lastIndexOf("length")));
        assertEquals(EDITED.indexOf("length"), chisel.navigator().declaration(use).orElseThrow().caret());
        assertEquals(List.of("length", "length"), chisel.uses(use).orElseThrow().all().stream()
                .map(found -> EDITED.substring(found.range().start(), found.range().end())).toList());
    }

    @Test
    void whatIsNotEditedAnyMoreIsAsOnDisk() {
        chisel.edited(Map.of(file, EDITED, folder.resolve("New.java"), "class New { }"));
        assertEquals(2, chisel.snapshot().files().size());
        chisel.edited(Map.of());
        assertEquals(SAVED, chisel.snapshot().file(file).orElseThrow().content());
        assertEquals(1, chisel.snapshot().files().size());
    }

    @Test
    void readingAnewLeavesEditedFilesAsTheyAre() throws Exception {
        chisel.edited(Map.of(file, EDITED));
        Path other = Files.writeString(folder.toRealPath().resolve("Quay.java"), "class Quay { }");
        chisel.refresh(List.of(other));
        assertEquals(EDITED, chisel.snapshot().file(file).orElseThrow().content());
        assertEquals(2, chisel.snapshot().files().size());
        chisel.refresh();
        assertEquals(EDITED, chisel.snapshot().file(file).orElseThrow().content());
    }

    @Test
    void aChangeOfEditedTextIsNotWrittenOverWhatIsOnDisk() throws Exception {
        chisel.edited(Map.of(file, EDITED));
        Outcome.Preview preview = assertInstanceOf(Outcome.Preview.class,
                chisel.preview(at(EDITED, "length"), "rename", Answers.of("name", "depth")));
        assertTrue(preview.change().effective().get(0).after().content().contains("int twice = depth"));
        assertThrows(JournalException.class, () -> chisel.apply(preview));
        assertEquals(SAVED, Files.readString(file));
    }
}
