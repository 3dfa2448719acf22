package dev.deftchisel.proving;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusList;
import dev.deftchisel.proving.corpus.Depot;
import dev.deftchisel.proving.subject.Draw;
import dev.deftchisel.proving.subject.RenameSubjects;
import dev.deftchisel.proving.trial.Oracles;
import dev.deftchisel.proving.trial.TrialSettings;
import dev.deftchisel.proving.trial.Trials;
import dev.deftchisel.proving.trial.Verdict;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A sample of the proving ground, always the same: enough renames that a bug in them is unlikely to get by. Corpora
 * that are not in the cache yet are fetched; where that cannot be, the test fails and says which one is missing.
 */
class RenameSampleTest {

    @TempDir
    private Path folder;

    /** Runs renames, of which none may fail, and none may be refused but those that are known to be. */
    private void renames(Corpus original, int count, int clashingPercent) throws IOException {
        TrialSettings settings = new TrialSettings(11, 0, count, 40, false, Optional.empty());
        List<Verdict> verdicts = new Trials(original.copyTo(folder.toRealPath()), settings, Oracles.ofRename(),
                analyst -> new RenameSubjects(analyst, Draw.of(11), clashingPercent, Set.of()), verdict -> { }).run();
        assertEquals("", VerdictLines.of(verdicts, Verdict.Result.FAILED));
        assertEquals(titles(known(original.name())), titles(VerdictLines.of(verdicts, Verdict.Result.REFUSED)));
        assertEquals(count, verdicts.size());
    }

    /** Only what was refused: the reasons quote the compiler, whose words differ between versions. */
    private static String titles(String lines) {
        return lines.lines().filter(line -> line.startsWith("#")).collect(Collectors.joining("\n"));
    }

    /** The refusals that were looked at by hand and found right. */
    private static String known(String corpus) throws IOException {
        try (InputStream in = RenameSampleTest.class.getResourceAsStream("refused-" + corpus + ".txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void renamesInTheHarbourOfficeHold() throws IOException {
        renames(Harbour.office(), 60, 40);
    }

    @Test
    void renamesInALibraryHold() throws IOException {
        CorpusList list = CorpusList.standard();
        renames(Depot.standard(true).corpus("csv", list.resolve("csv")), 12, 20);
    }
}
