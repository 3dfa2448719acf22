package dev.deftchisel.proving.fault;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.workspace.OpenRequest;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FaultTrialsTest {

    @Test
    void everyHarmfulFaultInTheHarbourOfficeIsCaught() {
        Path harbour = Path.of("..", "deft-examples", "harbour", "src", "main", "java").toAbsolutePath().normalize();
        Map<String, FaultTrials.Tally> tallies = new FaultTrials(
                new Corpus("harbour", OpenRequest.plain(harbour, List.of(harbour), List.of())), 3, () -> { }).run(12);
        tallies.forEach((fault, tally) -> assertEquals(List.of(), tally.escaped(), fault));
        assertTrue(tallies.values().stream().mapToInt(FaultTrials.Tally::harmful).sum() > 15, "there is harm to catch: " + tallies);
    }
}
