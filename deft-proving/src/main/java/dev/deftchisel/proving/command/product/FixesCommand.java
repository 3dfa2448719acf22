package dev.deftchisel.proving.command.product;

import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.proving.command.refactoring.SuiteCommand;
import dev.deftchisel.proving.compiled.TestSuite;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.mend.FixedEverywhere;
import dev.deftchisel.proving.option.CorpusOptions;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Do all fixes of all rules leave code that compiles, does the same, and needs no more of them? */
@Command(name = "fixes", mixinStandardHelpOptions = true,
        description = "Applies the fixes of all rules everywhere: first those that keep the class files, then all "
        + "others.")
public final class FixesCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--rules", split = ",", paramLabel = "RULE", description = "only these rules")
    private Set<String> rules = Set.of();

    @Option(names = "--each", description = "each rule alone and from the beginning, instead of all together")
    private boolean each;

    @Option(names = "--suite", description = "run the corpus's own tests before and after")
    private boolean suite;

    @Override
    public Integer call() throws IOException, InterruptedException {
        boolean passed = true;
        Map<String, Integer> sums = new TreeMap<>();
        Optional<TestSuite> tests = suite ? Optional.of(new TestSuite(SuiteCommand.console())) : Optional.empty();
        for (Corpus copy : corpora.copies()) {
            for (FixedEverywhere.Result result : new FixedEverywhere(copy, tests).run(turns())) {
                System.out.printf("%s, %s: %d fixes in %d files, %d left%n", copy.name(), result.name(),
                        result.fixes().values().stream().mapToInt(Integer::intValue).sum(), result.files(),
                        result.left().size());
                result.left().forEach(reason -> System.out.println("  left: " + reason));
                result.objections().forEach(objection -> System.out.println("  FAILED " + objection));
                result.tests().ifPresent(text -> System.out.println("  " + text));
                result.fixes().forEach((rule, count) -> sums.merge(rule, count, Integer::sum));
                passed &= result.objections().isEmpty();
            }
        }
        sums.forEach((rule, count) -> System.out.printf("%6d  %s%n", count, rule));
        System.out.println(passed ? "no oracle failed" : "failed");
        return passed ? 0 : 1;
    }

    private List<FixedEverywhere.Turn> turns() {
        List<RuleDescription> chosen = Rules.installed().abouts().stream()
                .filter(about -> rules.isEmpty() ? about.tag() != Tag.SUSPICIOUS || about.effect() != Effect.OTHER
                        : rules.contains(about.id()))
                .toList();
        if (each) {
            return chosen.stream().map(about -> new FixedEverywhere.Turn(about.id(), Set.of(about.id()),
                    about.effect() == Effect.SAME_CLASSES, true)).toList();
        }
        return List.of(new FixedEverywhere.Turn("class files stay",
                ids(chosen, about -> about.effect() == Effect.SAME_CLASSES), true, false),
                new FixedEverywhere.Turn("the others", ids(chosen, about -> about.effect() != Effect.SAME_CLASSES),
                        false, false));
    }

    private static Set<String> ids(List<RuleDescription> chosen, Predicate<RuleDescription> wanted) {
        return chosen.stream().filter(wanted).map(RuleDescription::id).collect(Collectors.toSet());
    }
}
