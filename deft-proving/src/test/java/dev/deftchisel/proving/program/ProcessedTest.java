package dev.deftchisel.proving.program;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.fault.FaultTrials;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What annotation processors make follows a change, by the processors themselves. */
class ProcessedTest {

    @TempDir
    private Path folder;

    private OpenRequest opened(String name) throws IOException {
        Path sources = folder.toRealPath();
        Program program = Program.all().stream().filter(one -> one.name().equals(name)).findFirst().orElseThrow();
        program.writeTo(sources);
        return program.opened(sources);
    }

    private static Outcome rename(Chisel chisel, String place, String name) {
        return chisel.preview(chisel.place(place), "rename", Answers.of("name", name));
    }

    private static String text(Chisel chisel, String file) {
        SourceFile found = chisel.snapshot().files().stream().filter(one -> one.path().endsWith(file)).findFirst()
                .orElseThrow();
        return found.content();
    }

    @Test
    void buildersFollowTheRecordTheyAreMadeFrom() throws IOException {
        try (Chisel chisel = Chisel.open(opened("processed-records"), Monitor.SILENT)) {
            chisel.apply(assertInstanceOf(Outcome.Preview.class, rename(chisel, "harbour.Berth#depth", "draught")));
            assertTrue(text(chisel, "harbour/Main.java").contains("north.with().draught(20)"),
                    text(chisel, "harbour/Main.java"));
            chisel.apply(assertInstanceOf(Outcome.Preview.class, rename(chisel, "harbour.Berth", "Mooring")));
            assertTrue(text(chisel, "harbour/Main.java")
                    .contains("MooringBuilder.builder().name(\"north\").draught(12)"));
            assertEquals(List.of(), CompiledCode.processed(chisel.snapshot()).errors());
            chisel.undo();
            assertTrue(text(chisel, "harbour/Main.java").contains("BerthBuilder.builder()"));
        }
    }

    @Test
    void aPropertyThatIsMappedByItsNameIsNotRenamed() throws IOException {
        try (Chisel chisel = Chisel.open(opened("processed-mappers"), Monitor.SILENT)) {
            Outcome.Refusal refusal = assertInstanceOf(Outcome.Refusal.class,
                    rename(chisel, "harbour.Berth#getDepth()", "getDraught"));
            assertTrue(refusal.reasons().stream().anyMatch(reason -> reason.sentence()
                    .startsWith("an annotation processor would make something else")),
                    refusal.reasons().toString());
        }
    }

    @Test
    void aNameThatGeneratedCodeWouldTakeForAnotherIsRefused() throws IOException {
        try (Chisel chisel = Chisel.open(opened("processed-immutables"), Monitor.SILENT)) {
            Outcome.Refusal refusal = assertInstanceOf(Outcome.Refusal.class,
                    rename(chisel, "harbour.Main", "IllegalStateException"));
            assertTrue(refusal.reasons().stream().anyMatch(reason -> reason.sentence()
                            .startsWith("what an annotation processor makes would not mean the same: "
                                    + "'IllegalStateException' in")),
                    refusal.reasons().toString());
        }
    }

    @Test
    void whatIsMadeIsRenamedWhereItComesFrom() throws IOException {
        try (Chisel chisel = Chisel.open(opened("processed-records"), Monitor.SILENT)) {
            Outcome.Refusal refusal = assertInstanceOf(Outcome.Refusal.class,
                    rename(chisel, "harbour.BerthBuilder", "Mooring"));
            assertEquals("the class harbour.BerthBuilder is made by an annotation processor; rename what it is made "
                    + "from, and it follows",
                    refusal.reasons().get(0).sentence());
        }
    }

    @Test
    void whereNobodyRunsThemWhatTheyWouldMakeIsRefused() throws IOException {
        OpenRequest request = opened("processed-records");
        try (Chisel chisel = Chisel.open(OpenRequest.at(request.folder()), Monitor.SILENT)) {
            Outcome.Refusal refusal = assertInstanceOf(Outcome.Refusal.class,
                    rename(chisel, "harbour.Berth", "Mooring"));
            assertTrue(refusal.reasons().get(0).sentence()
                    .startsWith("the code names 'BerthBuilder', which is not known here"),
                    refusal.reasons().toString());
        }
    }

    @Test
    void faultsAreCaughtWhereMembersAreMade() throws IOException {
        Map<String, FaultTrials.Tally> tallies =
                new FaultTrials(new Corpus("processed-records", opened("processed-records")),
                        FaultTrials.Damaged.RENAMES, 5,
                CompiledCode::processed, () -> { }).run(4);
        tallies.forEach((fault, tally) -> assertEquals(List.of(), tally.escaped(), fault));
        assertTrue(tallies.values().stream().mapToInt(FaultTrials.Tally::harmful).sum() > 4, "there is harm to catch: "
                + tallies);
    }
}
