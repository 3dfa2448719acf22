package dev.deftchisel.proving.look;

import dev.deftchisel.Chisel;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** How long it takes, right after a key, to find the uses and the implementations of a member used in many files. */
public final class WidelyUsed {

    private static final int NANOS_IN_MICRO = 1000;
    private static final int MOST_TRIES = 2000;

    private final Chisel chisel;
    private final Random random;
    private int keys;

    private WidelyUsed(Chisel chisel, long seed) {
        this.chisel = chisel;
        this.random = new Random(seed);
    }

    /**
     * What was measured.
     *
     * @param uses            microseconds, sorted
     * @param implementations the same
     */
    public record Times(List<Long> uses, List<Long> implementations) {
    }

    /**
     * Measures.
     *
     * @param members how many; as many before that, uncounted
     * @param files   in about how many files each is used, a third more or less
     */
    public static Times measure(Corpus corpus, int members, int files, long seed) {
        try (Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
            return new WidelyUsed(chisel, seed).measure(2 * members, files);
        }
    }

    private Times measure(int members, int wanted) {
        List<SourceFile> files = chisel.snapshot().files().stream().filter(file -> !file.outline().bodies().isEmpty())
                .toList();
        Map<String, Integer> naming = new HashMap<>();
        files.forEach(file -> file.tokens().names().forEach(name -> naming.merge(name, 1, Integer::sum)));
        int least = wanted * 2 / 3;
        List<Long> uses = new ArrayList<>();
        List<Long> implementations = new ArrayList<>();
        for (int tries = 0; uses.size() < members && tries < MOST_TRIES; tries++) {
            SourceFile file = files.get(random.nextInt(files.size()));
            List<MemberOutline> named = file.outline().members().stream()
                    .filter(member -> member.kind() == MemberOutline.Kind.METHOD
                            || member.kind() == MemberOutline.Kind.FIELD)
                    .filter(member -> naming.getOrDefault(member.name(), 0) >= least).toList();
            if (!named.isEmpty()) {
                MemberOutline member = named.get(random.nextInt(named.size()));
                Place place = type(file, member);
                long start = System.nanoTime();
                long found = chisel.uses(place).map(Uses::all).orElse(List.of()).stream().map(Uses.Use::file)
                        .distinct().count();
                long waited = (System.nanoTime() - start) / NANOS_IN_MICRO;
                if (found >= least && found <= wanted + wanted / 3) {
                    uses.add(waited);
                    Place again = type(file, member);
                    long second = System.nanoTime();
                    chisel.navigator().implementations(again);
                    implementations.add((System.nanoTime() - second) / NANOS_IN_MICRO);
                }
            }
        }
        return new Times(half(uses), half(implementations));
    }

    private static List<Long> half(List<Long> times) {
        return times.subList(times.size() / 2, times.size()).stream().sorted().toList();
    }

    /** A key in the first body of the file; where the member stands then. */
    private Place type(SourceFile file, MemberOutline member) {
        int start = file.outline().bodies().get(0).start();
        String typed = ++keys % 2 == 0 ? ";" : "; ";
        chisel.edited(Map.of(file.path(), file.content().substring(0, start) + typed
                + file.content().substring(start)));
        int name = member.nameRange().start();
        int caret = name > start ? name + typed.length() : name;
        return new Place(file.path(), new Range(caret, caret));
    }
}
