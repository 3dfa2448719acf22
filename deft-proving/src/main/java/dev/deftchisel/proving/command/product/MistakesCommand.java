package dev.deftchisel.proving.command.product;

import dev.deftchisel.proving.mistake.FirstFix;
import dev.deftchisel.proving.mistake.Mistake;
import dev.deftchisel.proving.program.Runner;
import java.io.IOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Is the first fix what the author of a program with a mistake meant? */
@Command(name = "mistakes", mixinStandardHelpOptions = true,
        description = "Takes the first fix of the first error in small programs with one mistake, and runs them.")
public final class MistakesCommand implements Callable<Integer> {

    @Option(names = "--only", split = ",", paramLabel = "NAME", description = "only these")
    private Set<String> only = Set.of();

    @Option(names = "--all", description = "tell of those that are as they were meant, too")
    private boolean all;

    @Option(names = "--least", description = "how many in a hundred must be as they were meant (${DEFAULT-VALUE})")
    private int least = 90;

    @Override
    public Integer call() throws IOException, InterruptedException {
        LogManager.getLogManager().reset();
        List<Mistake> mistakes = Mistake.all().stream().filter(one -> only.isEmpty() || only.contains(one.name()))
                .toList();
        Map<FirstFix.Verdict, Integer> counts = new EnumMap<>(FirstFix.Verdict.class);
        int idle = 0;
        try (Runner runner = new Runner()) {
            FirstFix first = new FirstFix(runner);
            for (Mistake mistake : mistakes) {
                FirstFix.Result result = first.of(mistake);
                counts.merge(result.verdict(), 1, Integer::sum);
                idle += result.idle().size();
                if (all || result.verdict() != FirstFix.Verdict.MEANT || !result.idle().isEmpty()) {
                    System.out.printf("%s %s/%s: %s%n    %s%n    %s%s%n", result.verdict(), mistake.sort(),
                            mistake.name(), result.words(),
                            result.error(), result.fixes(), result.idle().isEmpty() ? ""
                            : "\n    cannot be taken: " + result.idle());
                }
            }
        }
        int meant = counts.getOrDefault(FirstFix.Verdict.MEANT, 0);
        int compile = meant + counts.getOrDefault(FirstFix.Verdict.COMPILES, 0);
        System.out.printf("%d programs: %s%nas meant %.1f %%, compile %.1f %%, fixes among the first three that "
                + "cannot be taken: %d%n",
                mistakes.size(), counts, 100.0 * meant / mistakes.size(), 100.0 * compile / mistakes.size(), idle);
        return 100.0 * meant / mistakes.size() >= least ? 0 : 1;
    }
}
