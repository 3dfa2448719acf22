package dev.deftchisel.proving.command.product;

import dev.deftchisel.proving.torture.JournalTorture;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import me.tongfei.progressbar.ProgressBar;
import me.tongfei.progressbar.ProgressBarBuilder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Does the journal keep its word? */
@Command(name = "torture", mixinStandardHelpOptions = true,
        description = "Kills processes while they write a change over 50 files, lets two write at once, fills the "
        + "disk.")
public final class TortureCommand implements Callable<Integer> {

    @Option(names = "--kills", description = "how many (${DEFAULT-VALUE})")
    private int kills = 100;

    @Option(names = "--pairs", description = "how many of them with two processes writing at once (${DEFAULT-VALUE})")
    private int pairs = 20;

    @Option(names = "--seed", description = "decides the moments (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--small-disk", paramLabel = "DIR",
            description = "an empty folder on a disk of a few hundred kilobytes, such as a small tmpfs")
    private Path smallDisk;

    @Override
    public Integer call() throws IOException, InterruptedException {
        boolean passed;
        try (ProgressBar bar = new ProgressBarBuilder().setTaskName("killing").setInitialMax(kills)
                .setUpdateIntervalMillis(1000).hideEta().build()) {
            passed = report("one process", new JournalTorture(Files.createTempDirectory("torture"))
                    .kill(kills - pairs, 1, seed, bar::step))
                    & report("two processes", new JournalTorture(Files.createTempDirectory("torture"))
                    .kill(pairs, 2, seed, bar::step));
        }
        if (smallDisk == null) {
            System.out.println("full disk: skipped, no --small-disk is given");
            return passed ? 0 : 1;
        }
        Optional<String> wrong = JournalTorture.fullDisk(smallDisk);
        System.out.println("full disk: " + wrong.orElse("nothing was changed"));
        return passed && wrong.isEmpty() ? 0 : 1;
    }

    private static boolean report(String what, JournalTorture.Kills kills) {
        System.out.printf("%n%s: %d kills, the folder at the moment of the kill: %s, wrong after the next start: %d%n",
                what, kills.kills(), kills.atKill(), kills.wrong().size());
        kills.wrong().forEach(line -> System.out.println("  WRONG " + line));
        return kills.wrong().isEmpty();
    }
}
