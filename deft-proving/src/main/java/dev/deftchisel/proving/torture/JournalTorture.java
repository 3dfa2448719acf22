package dev.deftchisel.proving.torture;

import dev.deftchisel.journal.Entry;
import dev.deftchisel.journal.Journal;
import dev.deftchisel.journal.JournalException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;

/** Attacks the journal from outside, in a folder of its own. */
public final class JournalTorture {

    private static final int FILES = 50;
    /** Within this time a process that just started comes to write its change for the first times. */
    private static final int SPREAD_MICROS = 450_000;

    private final Path folder;

    /** @param folder an empty one */
    public JournalTorture(Path folder) {
        this.folder = folder;
    }

    /**
     * What the kills found.
     *
     * @param kills  how many
     * @param atKill what the folder was at the moment of the kill: OLD, NEW or MIXED, by how often
     * @param wrong  what was not right after the next start, one line each
     */
    public record Kills(int kills, Map<String, Integer> atKill, List<String> wrong) {
    }

    /**
     * Starts processes that write without pause, kills each at a random moment, and lets the next start put things
     * right.
     *
     * @param kills     how many times
     * @param processes how many write at once
     * @param seed      decides the moments, as far as a process can be timed
     * @param listener  called after each kill
     */
    public Kills kill(int kills, int processes, long seed, Runnable listener) throws IOException, InterruptedException {
        Quays quays = new Quays(folder, FILES);
        quays.fill();
        Random random = new Random(seed);
        Map<Quays.State, Integer> atKill = new EnumMap<>(Quays.State.class);
        List<String> wrong = new ArrayList<>();
        for (int kill = 0; kill < kills; kill++) {
            List<Process> victims = new ArrayList<>();
            for (int i = 0; i < processes; i++) {
                victims.add(start());
            }
            for (Process victim : victims) {
                // it says so when it begins
                victim.getInputStream().read();
            }
            victims.get(0).waitFor(random.nextInt(SPREAD_MICROS), TimeUnit.MICROSECONDS);
            for (Process victim : victims) {
                victim.destroyForcibly();
            }
            for (Process victim : victims) {
                victim.waitFor();
            }
            atKill.merge(quays.state(), 1, Integer::sum);
            check(quays, kill, wrong);
            listener.run();
        }
        Map<String, Integer> named = new TreeMap<>();
        atKill.forEach((state, count) -> named.put(state.name(), count));
        return new Kills(kills, named, wrong);
    }

    private Process start() throws IOException {
        return new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-Xshare:auto", "-cp",
                System.getProperty("java.class.path"),
                Victim.class.getName(), folder.toString(), String.valueOf(FILES))
                .redirectError(ProcessBuilder.Redirect.DISCARD).start();
    }

    private void check(Quays quays, int kill, List<String> wrong) throws IOException {
        Journal journal = new Journal(quays.workspace());
        journal.recover();
        Quays.State state = quays.state();
        List<Entry> history = journal.history();
        boolean stands = !history.isEmpty() && history.get(history.size() - 1).state() == Entry.State.APPLIED;
        if (state == Quays.State.MIXED || stands != (state == Quays.State.NEW)) {
            wrong.add("kill " + kill + ": the folder is " + state + ", the history says " + history);
        }
        if (stands) {
            journal.undo();
            if (quays.state() != Quays.State.OLD) {
                wrong.add("kill " + kill + ": undo does not give back what was there");
            }
        }
    }

    /**
     * Applies a change on a disk that is too small for it.
     *
     * @param small a folder on such a disk, empty
     * @return what was wrong; empty when nothing was written
     */
    public static Optional<String> fullDisk(Path small) throws IOException {
        Quays quays = new Quays(small, FILES);
        quays.fill();
        Path ballast = small.resolve(".deft").resolve("ballast");
        Files.createDirectories(ballast.getParent());
        fill(ballast);
        try {
            new Journal(quays.workspace()).apply(quays.change());
            return Optional.of("the disk was not full after all");
        } catch (JournalException refused) {
            Files.delete(ballast);
            new Journal(quays.workspace()).recover();
            return quays.state() == Quays.State.OLD
                    ? Optional.empty()
                    : Optional.of("the folder is " + quays.state() + " after: " + refused.getMessage());
        }
    }

    private static void fill(Path ballast) throws IOException {
        byte[] block = new byte[512];
        try (var out = Files.newOutputStream(ballast)) {
            while (true) {
                out.write(block);
            }
        } catch (IOException full) {
            // that is what it is for
            return;
        }
    }
}
