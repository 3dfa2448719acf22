package dev.deftchisel.proving.trial;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.proving.Harbour;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusException;
import dev.deftchisel.proving.subject.Draw;
import dev.deftchisel.proving.subject.RenameSubjects;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TrialsTest {

    private static final String SOURCE = """
            class Berth implements java.io.Serializable {
                private static final long serialVersionUID = 1L;
                int depth;
                int twice() { int half = depth; return half + depth; }
            }
            """;

    @TempDir
    private Path folder;

    private static List<Verdict> renames(Corpus corpus, int count, boolean checkRefusals, Consumer<Verdict> listener) {
        return new Trials(corpus, new TrialSettings(2, 0, count, 7, checkRefusals, Optional.empty()),
                Oracles.ofRename(),
                analyst -> new RenameSubjects(analyst, Draw.of(2), 0, Set.of(SymbolKind.PACKAGE)), listener).run();
    }

    @Test
    void eachTrialIsToldOnceAndEverythingIsUndone() throws IOException {
        Corpus corpus = Harbour.of(folder, "Berth.java", SOURCE);
        List<Verdict> told = new ArrayList<>();
        List<Verdict> verdicts = renames(corpus, 20, true, told::add);
        assertEquals(20, verdicts.size());
        assertEquals(verdicts, told);
        assertTrue(verdicts.stream().noneMatch(verdict -> verdict.result() == Verdict.Result.FAILED),
                verdicts.toString());
        assertTrue(verdicts.stream().anyMatch(verdict -> verdict.why().contains("serialized")),
                "a refusal is among them");
        assertEquals(SOURCE, Files.readString(corpus.request().folder().resolve("Berth.java")));
    }

    @Test
    void codeThatDoesNotCompileIsNoCorpus() throws IOException {
        Corpus broken = Harbour.of(folder, "Berth.java", "class Berth { int depth = \"deep\"; }");
        CorpusException refused = assertThrows(CorpusException.class,
                () -> renames(broken, 1, false, verdict -> { }));
        assertTrue(refused.getMessage().startsWith("quay does not compile as it is: "), refused.getMessage());
    }

    @Test
    void aTrialThatHoldsCannotBeReduced() throws IOException {
        Corpus corpus = Harbour.of(folder, "Berth.java", SOURCE);
        Verdict applied = renames(corpus, 3, false, verdict -> { }).stream()
                .filter(verdict -> verdict.result() == Verdict.Result.APPLIED).findFirst().orElseThrow();
        assertEquals(Optional.empty(), new Reducer(corpus, Oracles.ofRename())
                .reduce(applied.failed("compiles as before", "made up")));
    }
}
