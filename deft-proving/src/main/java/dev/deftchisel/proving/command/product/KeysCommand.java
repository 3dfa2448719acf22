package dev.deftchisel.proving.command.product;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.background.WorkerTasks;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.desk.KeyTimes;
import dev.deftchisel.proving.desk.RandomKeys;
import dev.deftchisel.proving.option.CorpusOptions;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Does the keyboard screen survive whatever is pressed, and how soon is a key to be seen? */
@Command(name = "keys", mixinStandardHelpOptions = true,
        description = "Presses random keys on the keyboard screen, or with --times measures how soon a key is to be "
        + "seen.")
public final class KeysCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--count", description = "how many keys (${DEFAULT-VALUE})")
    private int count = 10_000;

    @Option(names = "--seed", description = "decides the keys (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--times", description = "measure instead, in a file of about 2,000 lines")
    private boolean times;

    @Option(names = "--pause", description = "milliseconds between two keys that are timed (${DEFAULT-VALUE})")
    private int pause = 30;

    @Option(names = "--rounds", description = "how often each key is timed, and pressed before that (${DEFAULT-VALUE})")
    private int rounds = 200;

    @Override
    public Integer call() throws IOException, InterruptedException {
        boolean passed = true;
        for (Corpus copy : corpora.copies()) {
            if (times) {
                time(copy);
            } else {
                long start = System.nanoTime();
                RandomKeys.Result result = new RandomKeys(seed).press(copy.request(), count);
                System.out.printf("%s: %d keys in %d s; %d changes applied or taken back, %d desks; wrong: %d%n",
                        copy.name(), count,
                        (System.nanoTime() - start) / 1_000_000_000, result.applied(), result.desks(), result.wrong()
                        .size());
                result.wrong().forEach(line -> System.out.println("  WRONG " + line));
                passed &= result.wrong().isEmpty();
            }
        }
        return passed ? 0 : 1;
    }

    private void time(Corpus copy) throws InterruptedException {
        WorkerTasks helper = new WorkerTasks();
        try (Chisel chisel = Chisel.open(copy.request(), helper.monitor()); helper) {
            new KeyTimes(chisel, helper).measure(PaceCommand.open(chisel), rounds, pause).forEach((what, all) ->
                    System.out.printf("%s: %-24s median %6.1f ms, 95 %% within %6.1f ms, longest %6.1f ms%n",
                            copy.name(), what,
                            millis(all, 0.5), millis(all, 0.95), millis(all, 1)));
        }
    }

    private static double millis(List<Long> micros, double part) {
        return micros.get((int) Math.min(micros.size() - 1L, (long) (micros.size() * part))) / 1000.0;
    }
}
