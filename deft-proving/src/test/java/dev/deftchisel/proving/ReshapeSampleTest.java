package dev.deftchisel.proving;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.proving.subject.Draw;
import dev.deftchisel.proving.subject.ExpressionSubjects;
import dev.deftchisel.proving.subject.NameSubjects;
import dev.deftchisel.proving.subject.StatementSubjects;
import dev.deftchisel.proving.subject.Subjects;
import dev.deftchisel.proving.subject.TypeSubjects;
import dev.deftchisel.proving.trial.Oracles;
import dev.deftchisel.proving.trial.TrialSettings;
import dev.deftchisel.proving.trial.Trials;
import dev.deftchisel.proving.trial.Verdict;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A sample of what the proving ground does to expressions, statements, calls and types, always the same. */
class ReshapeSampleTest {

    @TempDir
    private Path folder;

    private List<Verdict> tried(int count, Oracles oracles, Function<Analyst, Subjects> subjects) throws IOException {
        TrialSettings settings = new TrialSettings(5, 0, count, count, false, Optional.empty());
        List<Verdict> verdicts =
                new Trials(Harbour.office().copyTo(folder.toRealPath()), settings, oracles, subjects, verdict -> { })
                .run();
        assertEquals("", VerdictLines.of(verdicts, Verdict.Result.FAILED));
        return verdicts;
    }

    private static long applied(List<Verdict> verdicts) {
        return verdicts.stream().filter(verdict -> verdict.result() == Verdict.Result.APPLIED).count();
    }

    @Test
    void variablesThatAreExtractedAndInlinedAgainLeaveTheClassesEqual() throws IOException {
        List<Verdict> verdicts = tried(30, Oracles.ofExtractionAndBack(),
                analyst -> new ExpressionSubjects(analyst, Draw.of(5), "extract-variable", true));
        assertTrue(applied(verdicts) > 18, VerdictLines.of(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void inlinedVariablesCompile() throws IOException {
        // most variables are used several times, and what they are made of may do something
        List<Verdict> verdicts = tried(48, Oracles.ofReshaping(), analyst ->
                new NameSubjects(analyst, Draw.of(5), "inline", SymbolKind.LOCAL_VARIABLE, Answers.none()));
        assertTrue(applied(verdicts) > 2, VerdictLines.of(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void methodsThatAreExtractedAndInlinedAgainLeaveTheClassesEqual() throws IOException {
        List<Verdict> verdicts = tried(24, Oracles.ofExtractionAndBack(), analyst ->
                new StatementSubjects(analyst, Draw.of(5), Answers.none()));
        assertTrue(applied(verdicts) > 10, VerdictLines.of(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void placesThatCallAnExtractedMethodTooCompile() throws IOException {
        List<Verdict> verdicts = tried(24, Oracles.ofReshaping(), analyst ->
                new StatementSubjects(analyst, Draw.of(6), Answers.of("duplicates", "replace")
                        .and("results", "record")));
        assertTrue(applied(verdicts) > 10, VerdictLines.of(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void valuesThatBecomeFieldsCompile() throws IOException {
        List<Verdict> verdicts = tried(36, Oracles.ofReshaping(), analyst ->
                new ExpressionSubjects(analyst, Draw.of(5), "extract-field", true));
        assertTrue(applied(verdicts) > 2, VerdictLines.of(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void valuesThatBecomeParametersCompile() throws IOException {
        // most values depend on variables of the body, or are not the first that it computes
        List<Verdict> verdicts = tried(36, Oracles.ofReshaping(), analyst ->
                new ExpressionSubjects(analyst, Draw.of(5), "extract-parameter", true));
        assertTrue(applied(verdicts) > 2, VerdictLines.of(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void inlinedMethodsCompile() throws IOException {
        // what others override or may not see is left alone
        List<Verdict> verdicts =
                tried(30, Oracles.ofReshaping(), analyst -> new NameSubjects(analyst, Draw.of(5), "inline",
                        SymbolKind.METHOD,
                        Answers.of("access", "open")));
        assertTrue(applied(verdicts) > 2, VerdictLines.of(verdicts, Verdict.Result.REFUSED));
    }

    @Test
    void generatedMembersCompileAndKeepTheirPromises() throws IOException {
        List<Operation> operations = Chisel.operations().stream().filter(one -> one.id().startsWith("generate"))
                .toList();
        List<Verdict> verdicts = tried(24, Oracles.ofGeneration(),
                analyst -> new TypeSubjects(analyst, Draw.of(5), operations));
        assertTrue(applied(verdicts) > 10, VerdictLines.of(verdicts, Verdict.Result.REFUSED));
    }
}
