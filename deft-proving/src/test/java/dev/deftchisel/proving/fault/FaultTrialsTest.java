package dev.deftchisel.proving.fault;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.proving.Harbour;
import dev.deftchisel.proving.compiled.CompiledCode;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FaultTrialsTest {

    @Test
    void everyHarmfulFaultInTheHarbourOfficeIsCaught() {
        Map<String, FaultTrials.Tally> tallies = new FaultTrials(Harbour.office(), FaultTrials.Damaged.RENAMES, 3,
                CompiledCode::of, () -> { })
                .run(12);
        tallies.forEach((fault, tally) -> assertEquals(List.of(), tally.escaped(), fault));
        assertTrue(tallies.values().stream().mapToInt(FaultTrials.Tally::harmful).sum() > 15, "there is harm to catch: "
                + tallies);
    }

    @Test
    void faultsOfAChangedSignatureThatMatterAreCaught() {
        Map<String, FaultTrials.Tally> tallies = new FaultTrials(Harbour.office(), FaultTrials.Damaged.SIGNATURES, 5,
                CompiledCode::of, () -> { }).run(12);
        int harmful = tallies.values().stream().mapToInt(FaultTrials.Tally::harmful).sum();
        assertTrue(harmful > 4, "some faults do harm: " + tallies);
        assertEquals(harmful, tallies.values().stream().mapToInt(FaultTrials.Tally::caught).sum(), tallies.toString());
    }
}
