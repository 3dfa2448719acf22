package dev.deftchisel.proving;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusList;
import dev.deftchisel.proving.corpus.Depot;
import dev.deftchisel.proving.trial.RenameTrials;
import dev.deftchisel.proving.trial.Settings;
import dev.deftchisel.proving.trial.Verdict;
import dev.deftchisel.workspace.OpenRequest;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A sample of the proving ground, always the same: enough renames that a bug in them is unlikely to get by. Corpora that
 * are not in the cache yet are fetched; where that cannot be, the test fails and says which one is missing.
 */
class SampleTest {

    @TempDir
    private Path folder;

    private List<Verdict> renames(Corpus original, int count, int clashingPercent) throws IOException {
        Settings settings = new Settings(11, 0, count, 40, clashingPercent, Set.of(), false, Optional.empty());
        List<Verdict> verdicts = new RenameTrials(original.copyTo(folder.toRealPath()), settings, verdict -> { }).run();
        assertEquals(List.of(), verdicts.stream()
                .filter(verdict -> verdict.result() == Verdict.Result.FAILED)
                .map(verdict -> verdict.subject() + ": " + verdict.oracle().orElse("") + ": " + verdict.why())
                .toList());
        return verdicts;
    }

    private static long applied(List<Verdict> verdicts) {
        return verdicts.stream().filter(verdict -> verdict.result() == Verdict.Result.APPLIED).count();
    }

    @Test
    void renamesInTheHarbourOfficeHold() throws IOException {
        Path harbour = Path.of("..", "deft-examples", "harbour", "src", "main", "java").toAbsolutePath().normalize();
        assertTrue(applied(renames(
                new Corpus("harbour", OpenRequest.plain(harbour, List.of(harbour), List.of())), 120, 40)) > 60);
    }

    @Test
    void renamesInALibraryHold() throws IOException {
        CorpusList list = CorpusList.standard();
        assertTrue(applied(renames(Depot.standard(true).corpus("csv", list.resolve("csv")), 80, 20)) > 50);
    }
}
