package dev.deftchisel.proving;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusList;
import dev.deftchisel.proving.corpus.Depot;
import dev.deftchisel.proving.trial.Draw;
import dev.deftchisel.proving.trial.ExpressionSubjects;
import dev.deftchisel.proving.trial.NameSubjects;
import dev.deftchisel.proving.trial.Oracles;
import dev.deftchisel.proving.trial.RenameSubjects;
import dev.deftchisel.proving.trial.Settings;
import dev.deftchisel.proving.trial.StatementSubjects;
import dev.deftchisel.proving.trial.Subjects;
import dev.deftchisel.proving.trial.Trials;
import dev.deftchisel.proving.trial.TypeSubjects;
import dev.deftchisel.proving.trial.Verdict;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A sample of the proving ground, always the same: enough renames that a bug in them is unlikely to get by. Corpora that
 * are not in the cache yet are fetched; where that cannot be, the test fails and says which one is missing.
 */
class SampleTest {

    @TempDir
    private Path folder;

    /** Runs renames, of which none may fail, and none may be refused but those that are known to be. */
    private void renames(Corpus original, int count, int clashingPercent) throws IOException {
        Settings settings = new Settings(11, 0, count, 40, false, Optional.empty());
        List<Verdict> verdicts = new Trials(original.copyTo(folder.toRealPath()), settings, Oracles.ofRename(),
                analyst -> new RenameSubjects(analyst, Draw.of(11), clashingPercent, Set.of()), verdict -> { }).run();
        assertEquals("", lines(verdicts, Verdict.Result.FAILED));
        assertEquals(titles(known(original.name())), titles(lines(verdicts, Verdict.Result.REFUSED)));
        assertEquals(count, verdicts.size());
    }

    private static String lines(List<Verdict> verdicts, Verdict.Result result) {
        return verdicts.stream()
                .filter(verdict -> verdict.result() == result)
                .map(verdict -> "#" + verdict.subject().number() + " " + verdict.subject().title() + verdict.oracle()
                .map(oracle -> ", " + oracle).orElse("")
                        + "\n    " + verdict.why().replace('\\', '/') + "\n")
                .sorted()
                .collect(Collectors.joining());
    }

    /** Only what was refused: the reasons quote the compiler, whose words differ between versions. */
    private static String titles(String lines) {
        return lines.lines().filter(line -> line.startsWith("#")).collect(Collectors.joining("\n"));
    }

    /** The refusals that were looked at by hand and found right. */
    private static String known(String corpus) throws IOException {
        try (InputStream in = SampleTest.class.getResourceAsStream("refused-" + corpus + ".txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void renamesInTheHarbourOfficeHold() throws IOException {
        renames(Harbour.office(), 100, 40);
    }

    private List<Verdict> tried(int count, Oracles oracles, Function<Analyst, Subjects> subjects) throws IOException {
        Settings settings = new Settings(5, 0, count, count, false, Optional.empty());
        List<Verdict> verdicts =
                new Trials(Harbour.office().copyTo(folder.toRealPath()), settings, oracles, subjects, verdict -> { }).run();
        assertEquals("", lines(verdicts, Verdict.Result.FAILED));
        return verdicts;
    }

    private static long applied(List<Verdict> verdicts) {
        return verdicts.stream().filter(verdict -> verdict.result() == Verdict.Result.APPLIED).count();
    }

    @Test
    void variablesThatAreExtractedAndInlinedAgainLeaveTheClassesEqual() throws IOException {
        List<Verdict> verdicts = tried(50, Oracles.ofExtractionAndBack(),
                analyst -> new ExpressionSubjects(analyst, Draw.of(5), "extract-variable", true));
        assertTrue(applied(verdicts) > 36, lines(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void inlinedVariablesCompile() throws IOException {
        // most variables are used several times, and what they are made of may do something
        List<Verdict> verdicts = tried(80, Oracles.ofReshaping(), analyst ->
                new NameSubjects(analyst, Draw.of(5), "inline", SymbolKind.LOCAL_VARIABLE, Answers.none()));
        assertTrue(applied(verdicts) > 4, lines(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void methodsThatAreExtractedAndInlinedAgainLeaveTheClassesEqual() throws IOException {
        List<Verdict> verdicts = tried(40, Oracles.ofExtractionAndBack(), analyst ->
                new StatementSubjects(analyst, Draw.of(5), Answers.none()));
        assertTrue(applied(verdicts) > 20, lines(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void placesThatCallAnExtractedMethodTooCompile() throws IOException {
        List<Verdict> verdicts = tried(40, Oracles.ofReshaping(), analyst ->
                new StatementSubjects(analyst, Draw.of(6), Answers.of("duplicates", "replace").and("results", "record")));
        assertTrue(applied(verdicts) > 20, lines(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void valuesThatBecomeFieldsCompile() throws IOException {
        List<Verdict> verdicts = tried(60, Oracles.ofReshaping(), analyst ->
                new ExpressionSubjects(analyst, Draw.of(5), "extract-field", true));
        assertTrue(applied(verdicts) > 4, lines(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void valuesThatBecomeParametersCompile() throws IOException {
        // most values depend on variables of the body, or are not the first that it works out
        List<Verdict> verdicts = tried(60, Oracles.ofReshaping(), analyst ->
                new ExpressionSubjects(analyst, Draw.of(5), "extract-parameter", true));
        assertTrue(applied(verdicts) > 4, lines(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void inlinedMethodsCompile() throws IOException {
        // what others override or may not see is left alone
        List<Verdict> verdicts =
                tried(50, Oracles.ofReshaping(), analyst -> new NameSubjects(analyst, Draw.of(5), "inline", SymbolKind.METHOD,
                        Answers.of("access", "open")));
        assertTrue(applied(verdicts) > 4, lines(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void generatedMembersCompileAndKeepTheirPromises() throws IOException {
        List<Operation> operations = Chisel.operations().stream().filter(one -> one.id().startsWith("generate")).toList();
        List<Verdict> verdicts = tried(40, Oracles.ofGeneration(), analyst -> new TypeSubjects(analyst, Draw.of(5), operations));
        assertTrue(applied(verdicts) > 20, lines(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void renamesInALibraryHold() throws IOException {
        CorpusList list = CorpusList.standard();
        renames(Depot.standard(true).corpus("csv", list.resolve("csv")), 20, 20);
    }
}
