package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.proving.behaviour.SameBehaviour;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.io.InputStream;
import java.net.MalformedURLException;
import java.net.URL;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Does code that a rule wrote otherwise do the same when it runs? */
@Command(name = "behaviour", mixinStandardHelpOptions = true,
        description = "Applies each rule that says it keeps the behaviour, and calls the methods before and after "
        + "with the same arguments.")
public final class BehaviourCommand implements Callable<Integer> {

    private static final List<String> METHODS = List.of("Conditions", "Values", "Statements");

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--rules", split = ",", paramLabel = "RULE",
            description = "only these rules, whatever they say of themselves")
    private Set<String> rules = Set.of();

    @Override
    public Integer call() throws IOException {
        LogManager.getLogManager().reset();
        int wrong = 0;
        int fixes = 0;
        int calls = 0;
        int methods = 0;
        for (RuleDescription about : Rules.installed().abouts()) {
            if (rules.isEmpty() ? about.effect() == Effect.OTHER : !rules.contains(about.id())) {
                continue;
            }
            for (OpenRequest request : requests(about)) {
                try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
                    Problems problems = chisel.problems();
                    Problems.Fixed fixed = problems.fixAll(problems.everywhere(), problem -> problem.rule()
                            .equals(about.id()));
                    if (fixed.outcome().isEmpty() || !(fixed.outcome().get() instanceof Outcome.Preview preview)) {
                        continue;
                    }
                    CompiledCode before = CompiledCode.of(chisel.snapshot());
                    CompiledCode after = CompiledCode.of(preview.change().applyTo(chisel.snapshot()));
                    SameBehaviour oracle = new SameBehaviour(classPath(chisel));
                    List<String> differences = oracle.differences(before.classes(), after.classes());
                    int count = fixed.fixes().values().stream().mapToInt(Integer::intValue).sum();
                    System.out.printf("%-26s %3d fixes in %s, %d methods called %d times%s%n", about.id(), count,
                            request.folder().getFileName(),
                            oracle.methods(), oracle.calls(), differences.isEmpty() ? ""
                            : ", " + differences.size() + " differ");
                    differences.forEach(line -> System.out.println("  OTHER " + line));
                    if (before.errors().isEmpty() && !after.errors().isEmpty()) {
                        System.out.println("  BROKEN " + after.errors().get(0));
                        wrong++;
                    }
                    wrong += differences.size();
                    fixes += count;
                    calls += oracle.calls();
                    methods += oracle.methods();
                }
            }
        }
        System.out.printf("%d fixes; %d methods called %d times; other than before: %d%n", fixes, methods, calls,
                wrong);
        return wrong == 0 ? 0 : 1;
    }

    /** The rule's example, the methods that were written for this, and the corpora. */
    private List<OpenRequest> requests(RuleDescription about) throws IOException {
        List<OpenRequest> requests = new ArrayList<>();
        Path folder = Files.createTempDirectory("prove-behaviour");
        Path example = folder.resolve("example").resolve(about.example().file());
        Files.createDirectories(example.getParent());
        Files.writeString(example, about.example().before());
        wanted(folder.resolve("example"), about);
        requests.add(OpenRequest.plain(folder.resolve("example"), List.of(folder.resolve("example")), List.of()));
        Path own = folder.resolve("methods").resolve("harbour");
        Files.createDirectories(own);
        for (String name : METHODS) {
            try (InputStream in = BehaviourCommand.class.getResourceAsStream("/methods/" + name + ".java")) {
                Files.write(own.resolve(name + ".java"), in.readAllBytes());
            }
        }
        wanted(folder.resolve("methods"), about);
        requests.add(OpenRequest.plain(folder.resolve("methods"), List.of(folder.resolve("methods")), List.of()));
        for (Corpus copy : corpora.given() ? corpora.copies() : List.<Corpus>of()) {
            wanted(copy.request().folder(), about);
            requests.add(copy.request());
        }
        return requests;
    }

    private static void wanted(Path folder, RuleDescription about) throws IOException {
        Files.writeString(folder.resolve(".editorconfig"), "root = true\n[*]\ndeft_" + about.id() + " = warning\n");
    }

    private static List<URL> classPath(Chisel chisel) {
        return chisel.workspace().modules().stream().map(Module::classPath).flatMap(List::stream).distinct()
                .map(path -> {
            try {
                return path.toUri().toURL();
            } catch (MalformedURLException impossible) {
                throw new IllegalStateException(impossible);
            }
        }).collect(Collectors.toList());
    }
}
