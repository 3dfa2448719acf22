package dev.deftchisel.analysis;

import dev.deftchisel.added.Additions;
import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Tells whether code may mean something else than it did. The fingerprint of a file stays the same as long as nothing
 * changes that its meaning can rest on: its text, and what is declared in every file that can be reached from it by
 * names of types, over any number of files. That is more than the compiler looks at, never less, since a source is read
 * only where its name stands. What is private counts where its name is mentioned.
 */
public final class Fingerprints {

    private static final int HEX = 16;

    private final List<SourceFile> files;
    private final FileDependencies[] outlines;
    private final Map<String, BitSet> declaring = new HashMap<>();
    private final Map<String, Long> secrets = new HashMap<>();
    private final long[] hashes;
    private final BitSet[] reached;

    /**
     * @param snapshot whose files are looked at
     * @param known    what was known of them before; files that read as then are not looked into again
     */
    public Fingerprints(Snapshot snapshot, Map<Path, FileDependencies> known) {
        files = List.copyOf(snapshot.files());
        outlines = new FileDependencies[files.size()];
        hashes = new long[files.size()];
        reached = new BitSet[files.size()];
        AdditionsReader reader = AdditionsReader.installed();
        each().forEach(i -> outlines[i] = outline(files.get(i), known, reader));
        for (int i = 0; i < outlines.length; i++) {
            int index = i;
            hashes[i] = number(files.get(i).path() + outlines[i].declarations());
            outlines[i].types().forEach(type -> declaring.computeIfAbsent(type, key -> new BitSet()).set(index));
            outlines[i].secrets().forEach((name, hash) -> secrets.merge(name, number(hash), Long::sum));
        }
        name(known);
        each().forEach(i -> reached[i] = named(outlines[i].declaring(), i));
        follow();
    }

    private IntStream each() {
        return IntStream.range(0, files.size()).parallel();
    }

    private static FileDependencies outline(SourceFile file, Map<Path, FileDependencies> known,
            AdditionsReader reader) {
        FileDependencies before = known.get(file.path());
        Additions added = reader.of(file);
        // what is added may depend on more than the file
        return before != null && before.isOf(file) && added.isEmpty() ? before : FileDependencies.of(file, added);
    }

    /** Looks in each file for the names that it was not searched for yet. */
    private void name(Map<Path, FileDependencies> known) {
        Set<String> before = new HashSet<>();
        known.values().forEach(outline -> {
            before.addAll(outline.types());
            before.addAll(outline.secrets().keySet());
        });
        Set<String> newTypes = new HashSet<>(declaring.keySet());
        newTypes.removeAll(before);
        Set<String> newSecrets = new HashSet<>(secrets.keySet());
        newSecrets.removeAll(before);
        each().forEach(i -> outlines[i] = known.get(files.get(i).path()) == outlines[i]
                ? outlines[i].naming(newTypes, newSecrets, files.get(i))
                : outlines[i].naming(declaring.keySet(), secrets.keySet(), files.get(i)));
    }

    /** The files that declare types of some names, and the one that mentions them. */
    private BitSet named(Set<String> names, int index) {
        BitSet found = new BitSet(files.size());
        found.set(index);
        names.stream().map(declaring::get).filter(some -> some != null).forEach(found::or);
        return found;
    }

    /** What is reached from what is reached, until there is no more. */
    private void follow() {
        boolean isGrowing = true;
        while (isGrowing) {
            isGrowing = false;
            for (BitSet own : reached) {
                int before = own.cardinality();
                for (int next : own.stream().toArray()) {
                    own.or(reached[next]);
                }
                isGrowing |= own.cardinality() > before;
            }
        }
    }

    /** The fingerprints of all files. */
    public Map<Path, String> all() {
        Map<Path, String> found = new HashMap<>();
        for (int i = 0; i < outlines.length; i++) {
            found.put(files.get(i).path(), of(i));
        }
        return found;
    }

    /** What is known of all files, for another time. */
    public Map<Path, FileDependencies> outlines() {
        Map<Path, FileDependencies> found = new HashMap<>();
        for (int i = 0; i < outlines.length; i++) {
            found.put(files.get(i).path(), outlines[i]);
        }
        return found;
    }

    private String of(int index) {
        BitSet all = new BitSet(files.size());
        named(outlines[index].mentioned(), index).stream().forEach(next -> all.or(reached[next]));
        long around = all.stream().mapToLong(i -> hashes[i]).sum();
        long hidden = outlines[index].mentioned().stream().mapToLong(name -> secrets.getOrDefault(name, 0L)).sum();
        return FileDependencies.hash(files.get(index).module().level() + " " + around + " " + hidden + " "
                + outlines[index].content());
    }

    private static long number(String text) {
        return Long.parseUnsignedLong(FileDependencies.hash(text).substring(0, HEX), HEX);
    }
}
