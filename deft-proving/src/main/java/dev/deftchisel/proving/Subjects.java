package dev.deftchisel.proving;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.Symbol;
import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.ToIntFunction;

/** Picks random names of a workspace, those of the kinds that came up least so far before others. */
final class Subjects {

    private static final int SAMPLES = 3;

    private final Chisel chisel;
    private final Random random;
    private final Set<SymbolKind> skipped;
    private final ToIntFunction<SymbolKind> tried;

    /**
     * @param skipped kinds that are never picked
     * @param tried   how often a kind came up
     */
    Subjects(Chisel chisel, Random random, Set<SymbolKind> skipped, ToIntFunction<SymbolKind> tried) {
        this.skipped = skipped;
        this.chisel = chisel;
        this.random = random;
        this.tried = tried;
    }

    /**
     * A place with what stands there.
     *
     * @param place  at a use or the declaration
     * @param symbol a symbol of the workspace
     */
    record Subject(Place place, Symbol symbol) {
    }

    /** The next subject. */
    Subject next() {
        List<Subject> samples = new ArrayList<>();
        while (samples.size() < SAMPLES) {
            sample().ifPresent(samples::add);
        }
        return samples.stream()
                .min(Comparator.comparingInt(subject -> tried.applyAsInt(subject.symbol().kind())))
                .orElseThrow();
    }

    /** A random identifier of a random file, if it means something that the workspace declares. */
    private Optional<Subject> sample() {
        List<SourceFile> files = List.copyOf(chisel.snapshot().files());
        SourceFile file = files.get(random.nextInt(files.size()));
        Tokens tokens = file.tokens();
        int token = random.nextInt(tokens.count());
        while (token < tokens.count() && tokens.kind(token) != TokenKind.IDENTIFIER) {
            token++;
        }
        if (token == tokens.count()) {
            return Optional.empty();
        }
        Place place = new Place(file.path(), new Range(tokens.start(token), tokens.start(token)));
        return chisel.symbol(place)
                .filter(symbol -> symbol.isSource() && symbol.kind() != SymbolKind.UNKNOWN && !skipped.contains(symbol.kind()))
                .map(symbol -> new Subject(place, symbol));
    }
}
