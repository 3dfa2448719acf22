package dev.deftchisel.proving.command.product;

import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.look.ClassFileUses;
import dev.deftchisel.proving.look.KeptAnswers;
import dev.deftchisel.proving.look.WidelyUsed;
import dev.deftchisel.proving.option.CorpusOptions;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Does keeping what files declare change an answer, and how much does it save? */
@Command(name = "looks", mixinStandardHelpOptions = true,
        description = "Asks at random names while keys are typed into bodies, of a workspace that keeps what files "
        + "declare and of one that reads it anew, and compares answers and times.")
public final class LooksCommand implements Callable<Integer> {

    private static final double MICROS = 1000;
    private static final int SHOWN = 5;
    private static final int WIDTH = 600;
    private static final int FILES = 30;

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Option(names = "--places", description = "how many places are asked about (${DEFAULT-VALUE})")
    private int places = 100;

    @Option(names = "--members", description = "of how many members the uses are compared with those in class files "
            + "(${DEFAULT-VALUE})")
    private int members = 300;

    @Option(names = "--wide", description = "how many members are timed that are used in about 30 files; as many "
            + "before them, uncounted (${DEFAULT-VALUE})")
    private int wide;

    @Option(names = "--seed", description = "decides the places (${DEFAULT-VALUE})")
    private long seed = 1;

    @Override
    public Integer call() {
        int different = 0;
        for (Corpus corpus : corpora.originals()) {
            System.out.printf("%s, %d places; milliseconds, median and longest%n", corpus.name(), places);
            for (KeptAnswers.Row row : KeptAnswers.ask(corpus, places, seed)) {
                System.out.printf("  %-18s kept %6.1f %8.1f   anew %6.1f %8.1f   different %d%n", row.question(),
                        median(row.kept()), last(row.kept()), median(row.anew()), last(row.anew()),
                        row.different().size());
                row.different().stream().limit(SHOWN).forEach(line -> System.out.println("    "
                        + line.substring(0, Math.min(WIDTH, line.length()))));
                different += row.different().size();
            }
            if (wide > 0) {
                WidelyUsed.Times times = WidelyUsed.measure(corpus, wide, FILES, seed);
                System.out.printf("  of %d members used in about %d files, after a key: uses %.1f %.1f, "
                        + "implementations %.1f %.1f%n", times.uses().size(), FILES, median(times.uses()),
                        last(times.uses()), median(times.implementations()), last(times.implementations()));
            }
            ClassFileUses.Found uses = ClassFileUses.ask(corpus, members, seed);
            System.out.printf("  class files use %d members in %d files; missed %d%n", uses.members(), uses.files(),
                    uses.missed().size());
            uses.missed().stream().limit(SHOWN).forEach(line -> System.out.println("    " + line));
            different += uses.missed().size();
        }
        return different == 0 ? 0 : 1;
    }

    private static double median(List<Long> times) {
        return times.get(times.size() / 2) / MICROS;
    }

    private static double last(List<Long> times) {
        return times.get(times.size() - 1) / MICROS;
    }
}
