package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.proving.program.Program;
import dev.deftchisel.proving.program.RandomOffers;
import dev.deftchisel.proving.program.Runner;
import dev.deftchisel.proving.program.Step;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Does a program still print the same when any offer is taken anywhere in it? */
@Command(name = "offers", mixinStandardHelpOptions = true,
        description = "Takes any offer anywhere in programs that print what they do, and runs them after each step.")
public final class RandomOffersCommand implements Callable<Integer> {

    @Option(names = "--steps", description = "how many offers are taken (${DEFAULT-VALUE})")
    private int steps = 3000;

    @Option(names = "--upon", description = "how many one upon the other before a program begins anew "
            + "(${DEFAULT-VALUE})")
    private int upon = 15;

    @Option(names = "--seed", description = "decides everything (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--only", split = ",", paramLabel = "SORT",
            description = "only these operations, and fixes as 'fix RULE'")
    private Set<String> only = Set.of();

    @Option(names = "--program", split = ",", description = "only these programs")
    private Set<String> programs = Set.of();

    @Option(names = "--log", description = "a file to which every step is written with its diff")
    private Path log;

    @Override
    public Integer call() throws IOException, InterruptedException {
        LogManager.getLogManager().reset();
        List<Program> all = Program.all().stream().filter(one -> programs.isEmpty() || programs.contains(one.name()))
                .toList();
        List<Step> taken = new ArrayList<>();
        try (Runner runner = new Runner()) {
            RandomOffers offers = new RandomOffers(seed, runner, only, step -> {
                taken.add(step);
                tell(step);
            });
            for (int round = 0; taken.size() < steps; round++) {
                Path folder = Files.createTempDirectory("prove-offers");
                offers.run(all.get(round % all.size()), folder, Math.min(upon, steps - taken.size()));
            }
        }
        return summary(taken) ? 0 : 1;
    }

    private void tell(Step step) {
        if (step.verdict().isWrong()) {
            System.out.println(step + "\n" + step.diff().indent(4));
        }
        if (log != null) {
            try {
                Files.writeString(log, step + "\n" + step.diff().indent(4) + "\n", StandardCharsets.UTF_8,
                        StandardOpenOption.CREATE,
                        StandardOpenOption.APPEND);
            } catch (IOException failed) {
                throw new java.io.UncheckedIOException(failed);
            }
        }
    }

    private static boolean summary(List<Step> taken) {
        Map<String, Map<Step.Verdict, Integer>> bySort = new TreeMap<>();
        Map<Step.Verdict, Integer> sums = new EnumMap<>(Step.Verdict.class);
        for (Step step : taken) {
            bySort.computeIfAbsent(step.sort(), sort -> new EnumMap<>(Step.Verdict.class))
                    .merge(step.verdict(), 1, Integer::sum);
            sums.merge(step.verdict(), 1, Integer::sum);
        }
        bySort.forEach((sort, counts) -> System.out.printf("%-36s %s%n", sort, counts));
        System.out.printf("%d steps: %s%n", taken.size(), sums);
        return sums.keySet().stream().noneMatch(Step.Verdict::isWrong);
    }
}
