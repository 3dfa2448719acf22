package dev.deftchisel.cli.text;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The sentences about a change. */
class OutcomeTextTest {

    @TempDir
    private Path folder;
    private Chisel chisel;

    @BeforeEach
    void open() throws IOException {
        Files.createDirectories(folder.resolve("harbour/berths"));
        Files.writeString(folder.resolve("harbour/berths/Berth.java"), """
                package harbour.berths;
                /** A berth of some depth. */
                public class Berth {
                    int depth;
                    int deeper(int water) { return depth + water; }
                    public static void main(String[] ships) { }
                }
                """);
        Files.writeString(folder.resolve("harbour/Office.java"), """
                package harbour;
                import harbour.berths.Berth;
                class Office { Berth first; }
                """);
        chisel = Chisel.open(OpenRequest.plain(folder, List.of(folder), List.of()), Monitor.SILENT);
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private List<String> text(String place, String name, boolean isApplied) {
        Outcome outcome = chisel.preview(chisel.place(place), "rename", Answers.of("name", name));
        OutcomeText text = new OutcomeText(chisel, new Palette(false));
        return outcome instanceof Outcome.Preview preview
                ? text.preview(preview, isApplied)
                : text.refusal((Outcome.Refusal) outcome);
    }

    @Test
    void namesFilesAndMentionsAreCounted() {
        assertEquals(List.of("would rename the field Berth.depth to level", "  2 names in 1 file",
                "  1 mention in text left as it is (--mentions all takes it)"),
                text("harbour.berths.Berth#depth", "level", false));
    }

    @Test
    void whatWasQualifiedIsToldAndHowToTakeItBack() {
        assertEquals(List.of("done: rename the field Berth.depth to water",
                "  2 names in 1 file, 1 qualified to keep the meaning",
                "  1 mention in text left as it is (--mentions all takes it)",
                "  'deft undo' takes it back"), text("harbour.berths.Berth#depth", "water", true));
    }

    @Test
    void thePartsOfAPackageNameAreNoQualifiers() {
        assertEquals(List.of("would rename the package harbour.berths to harbour.moles",
                "  2 names in 2 files, 1 file moved"), text("harbour.berths", "harbour.moles", false));
    }

    @Test
    void conventionAndStartingAProgramAreNotes() {
        List<String> lines = text("harbour.berths.Berth#main(String[])", "Start", false);
        assertTrue(lines.contains("  note: by convention method names start with a small letter"), lines.toString());
        assertTrue(lines.contains("  note: programs are started by the name main (JLS 12.1.4);"
                + " this class could no longer be started"), lines.toString());
    }

    @Test
    void aRefusalNamesThePlaces() {
        assertEquals(List.of("refused, nothing was changed:", "  'class' is a keyword of Java " + Runtime.version()
                .feature()),
                text("harbour.berths.Berth#depth", "class", false));
    }
}
