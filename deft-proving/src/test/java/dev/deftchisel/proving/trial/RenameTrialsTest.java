package dev.deftchisel.proving.trial;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.proving.Harbour;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RenameTrialsTest {

    private static final String SOURCE = """
            class Berth implements java.io.Serializable {
                private static final long serialVersionUID = 1L;
                int depth;
                int twice() { int half = depth; return half + depth; }
            }
            """;

    @TempDir
    private Path folder;

    private static Settings settings(int count, int clashing, boolean checkRefusals) {
        return new Settings(2, 0, count, 7, clashing, Set.of(SymbolKind.PACKAGE), checkRefusals, Optional.empty());
    }

    @Test
    void eachTrialIsToldOnceAndEverythingIsUndone() throws IOException {
        Corpus corpus = Harbour.of(folder, "Berth.java", SOURCE);
        List<Verdict> told = new ArrayList<>();
        List<Verdict> verdicts = new RenameTrials(corpus, settings(20, 0, true), told::add).run();
        assertEquals(20, verdicts.size());
        assertEquals(verdicts, told);
        assertTrue(verdicts.stream().noneMatch(verdict -> verdict.result() == Verdict.Result.FAILED), verdicts.toString());
        assertTrue(verdicts.stream().anyMatch(verdict -> verdict.why().contains("serialized")), "a refusal is among them");
        assertEquals(SOURCE, Files.readString(corpus.request().folder().resolve("Berth.java")));
    }

    @Test
    void codeThatDoesNotCompileIsNoCorpus() throws IOException {
        Corpus broken = Harbour.of(folder, "Berth.java", "class Berth { int depth = \"deep\"; }");
        CorpusException refused = assertThrows(CorpusException.class,
                () -> new RenameTrials(broken, settings(1, 0, false), verdict -> { }).run());
        assertTrue(refused.getMessage().startsWith("quay does not compile as it is: "), refused.getMessage());
    }

    @Test
    void aTrialThatHoldsCannotBeReduced() throws IOException {
        Corpus corpus = Harbour.of(folder, "Berth.java", SOURCE);
        Verdict applied = new RenameTrials(corpus, settings(3, 0, false), verdict -> { }).run().stream()
                .filter(verdict -> verdict.result() == Verdict.Result.APPLIED).findFirst().orElseThrow();
        assertEquals(Optional.empty(), new Reducer(corpus).reduce(applied.failed("compiles as before", "made up")));
    }
}
