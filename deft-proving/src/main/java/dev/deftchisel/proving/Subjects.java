package dev.deftchisel.proving;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.Binding;
import dev.deftchisel.analysis.Symbol;
import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Spot;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/** Picks random symbols of a workspace, each kind that occurs in a random sample of names as likely as the next. */
final class Subjects {

    private static final int NAMES_LOOKED_AT = 24;

    private final Chisel chisel;
    private final Random random;

    Subjects(Chisel chisel, Random random) {
        this.chisel = chisel;
        this.random = random;
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
        while (true) {
            List<SourceFile> files = List.copyOf(chisel.snapshot().files());
            SourceFile file = files.get(random.nextInt(files.size()));
            Optional<Subject> found = in(file);
            if (found.isPresent()) {
                return found.get();
            }
        }
    }

    private Optional<Subject> in(SourceFile file) {
        Spot spot = chisel.spot(new Place(file.path(), wholeFile(file)));
        List<Binding> bindings = spot.analysis().bindings(file.path());
        Map<SymbolKind, List<Subject>> byKind = new EnumMap<>(SymbolKind.class);
        for (int i = 0; i < NAMES_LOOKED_AT && !bindings.isEmpty(); i++) {
            Binding binding = bindings.get(random.nextInt(bindings.size()));
            if (binding.isNamed()) {
                spot.analysis().symbol(binding.key())
                        .filter(symbol -> symbol.isSource() && symbol.kind() != SymbolKind.UNKNOWN)
                        .ifPresent(symbol -> byKind.computeIfAbsent(symbol.kind(), kind -> new ArrayList<>())
                                .add(new Subject(new Place(file.path(), caret(binding)), symbol)));
            }
        }
        if (byKind.isEmpty()) {
            return Optional.empty();
        }
        List<SymbolKind> kinds = List.copyOf(byKind.keySet());
        List<Subject> subjects = byKind.get(kinds.get(random.nextInt(kinds.size())));
        return Optional.of(subjects.get(random.nextInt(subjects.size())));
    }

    private static Range caret(Binding binding) {
        return new Range(binding.range().start(), binding.range().start());
    }

    /** A caret where no name stands makes the whole file be analysed. */
    private static Range wholeFile(SourceFile file) {
        Tokens tokens = file.tokens();
        for (int i = 0; i + 1 < tokens.count(); i++) {
            boolean isFree = tokens.kind(i) != TokenKind.IDENTIFIER && tokens.kind(i + 1) != TokenKind.IDENTIFIER;
            if (isFree) {
                return new Range(tokens.end(i), tokens.end(i));
            }
        }
        return new Range(0, 0);
    }
}
