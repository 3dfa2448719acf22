package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.maven.Artifacts;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.proving.compiled.TestSuite;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusException;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.proving.subject.Draw;
import dev.deftchisel.proving.subject.ExpressionSubjects;
import dev.deftchisel.proving.subject.NameSubjects;
import dev.deftchisel.proving.subject.RenameSubjects;
import dev.deftchisel.proving.subject.SignatureSubjects;
import dev.deftchisel.proving.subject.StatementSubjects;
import dev.deftchisel.proving.subject.Subjects;
import dev.deftchisel.proving.trial.SuiteTrial;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Do the tests of the code itself still pass? */
@Command(name = "suite", mixinStandardHelpOptions = true,
        description = "Applies changes one after the other and runs the corpus's own test suite before and after.")
public final class SuiteCommand implements Callable<Integer> {

    private static final String CONSOLE = "org.junit.platform:junit-platform-console-standalone:1.13.4";

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--count", description = "how many changes (${DEFAULT-VALUE})")
    private int count = 20;

    @Option(names = "--seed", description = "makes a run repeatable (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--operation", paramLabel = "ID", description = "rename, extract-variable,"
            + " extract-field, extract-parameter, extract-method, inline, inline-method or change-signature"
            + " (${DEFAULT-VALUE})")
    private String operation = "rename";

    @Option(names = "--skip", paramLabel = "KIND",
            description = "leave this kind of symbol alone; repeatable. Tests that"
            + " name classes or packages in strings cannot pass once those are renamed")
    private Set<SymbolKind> skipped = Set.of();

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path console = console();
        boolean passed = true;
        for (Corpus copy : corpora.copies()) {
            SuiteTrial.Result result = new SuiteTrial(copy, new TestSuite(console)).run(count, this::subjects);
            result.titles().forEach(title -> System.out.println("  " + title));
            System.out.printf("%s: %d of %d tests pass after %d changes, %d of %d before%n", copy.name(),
                    result.after().passed(), result.after().found(), result.titles().size(),
                    result.before().passed(), result.before().found());
            result.after().failed().stream().filter(test -> !result.before().failed().contains(test))
                    .forEach(test -> System.out.println("  FAILED " + test));
            passed &= result.isPassed();
        }
        return passed ? 0 : 1;
    }

    /** What runs the tests of a corpus. */
    public static Path console() {
        return Artifacts.open(true).find(CONSOLE).orElseThrow(() ->
                new CorpusException(CONSOLE + " is not on this machine and cannot be fetched; is the network there?"));
    }

    private Subjects subjects(Analyst analyst) {
        return switch (operation) {
            case "rename" -> new RenameSubjects(analyst, Draw.of(seed), 0, skipped);
            case "change-signature" -> new SignatureSubjects(analyst, Draw.of(seed));
            case "extract-variable" -> new ExpressionSubjects(analyst, Draw.of(seed), operation, true);
            case "extract-method" -> new StatementSubjects(analyst, Draw.of(seed), Answers.of("duplicates", "replace"));
            case "extract-field", "extract-parameter" -> new ExpressionSubjects(analyst, Draw.of(seed), operation,
                    true);
            case "inline" -> new NameSubjects(analyst, Draw.of(seed), operation, SymbolKind.LOCAL_VARIABLE,
                    Answers.none());
            case "inline-method" -> new NameSubjects(analyst, Draw.of(seed), "inline", SymbolKind.METHOD,
                    Answers.of("access", "open"));
            default -> throw new CorpusException("--operation takes rename, extract-variable, extract-field,"
                    + " extract-parameter, extract-method, inline or inline-method, not '" + operation + "'");
        };
    }
}
