package dev.deftchisel.proving.subject;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
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
import java.util.Set;

/**
 * Random names of a corpus with random new names. A file is drawn, then a kind of symbol among those named in it, each
 * kind alike, then one of these names, at a declaration or use.
 */
public final class RenameSubjects extends RandomFiles {

    /** Every file names a package, so packages are drawn from only one file in so many. */
    private static final int PACKAGE_RARITY = 4;

    private final int clashingPercent;
    private final Set<SymbolKind> skipped;

    /**
     * @param analyst         of the untouched corpus
     * @param draw            which files, and how
     * @param clashingPercent how many of a hundred new names are taken from the same file, so that clashes are likely
     * @param skipped         kinds that are never picked
     */
    public RenameSubjects(Analyst analyst, Draw draw, int clashingPercent, Set<SymbolKind> skipped) {
        super(analyst, draw);
        this.clashingPercent = clashingPercent;
        this.skipped = Set.copyOf(skipped);
    }

    @Override
    Optional<Subject> subject(int number, SourceFile file, Random random) {
        Analysis analysis = analyst().analyse(Focus.whole(Set.of(file.path())));
        Map<SymbolKind, List<Binding>> byKind = new EnumMap<>(SymbolKind.class);
        for (Binding binding : analysis.bindings(file.path())) {
            analysis.symbol(binding.key())
                    .filter(symbol -> binding.isNamed() && symbol.isSource() && symbol.kind() != SymbolKind.UNKNOWN)
                    .filter(symbol -> !skipped.contains(symbol.kind()))
                    .ifPresent(symbol -> byKind.computeIfAbsent(symbol.kind(), kind -> new ArrayList<>()).add(binding));
        }
        if (byKind.isEmpty()) {
            return Optional.empty();
        }
        if (byKind.size() > 1 && random.nextInt(PACKAGE_RARITY) > 0) {
            byKind.remove(SymbolKind.PACKAGE);
        }
        List<List<Binding>> kinds = List.copyOf(byKind.values());
        List<Binding> kind = kinds.get(random.nextInt(kinds.size()));
        Binding binding = kind.get(random.nextInt(kind.size()));
        // what the place itself stands for: a name that means several things, as a static import does, means the first
        Place place = new Place(file.path(), new Range(binding.range().start(), binding.range().start()));
        return analysis.at(file.path(), place.caret()).stream()
                .map(first -> analysis.symbol(first.key()))
                .flatMap(Optional::stream)
                .findFirst()
                .map(symbol -> subject(number, place, symbol, newName(number, symbol, file, random)));
    }

    private static Subject subject(int number, Place place, Symbol symbol, String newName) {
        Answers answers = Answers.of("name", newName).and("mentions", "none")
                .and("subpackages", String.valueOf(symbol.kind() == SymbolKind.PACKAGE));
        return new Subject(number, "rename", place, symbol.kind().words(),
                "rename the " + symbol.describe() + " to " + newName, answers);
    }

    private String newName(int number, Symbol symbol, SourceFile file, Random random) {
        boolean isDotted = symbol.kind() == SymbolKind.PACKAGE || symbol.kind() == SymbolKind.MODULE;
        return !isDotted && random.nextInt(100) < clashingPercent
                ? takenName(symbol, file.tokens(), random)
                : freshName(number, symbol);
    }

    /** A name that stands nowhere else. */
    private static String freshName(int number, Symbol symbol) {
        return switch (symbol.kind()) {
            case PACKAGE, MODULE -> symbol.name().substring(0, symbol.name().lastIndexOf('.') + 1) + "zq" + number
                    + "p";
            case CLASS, INTERFACE, ENUM, RECORD, ANNOTATION, TYPE_PARAMETER -> "Zq" + number + "T";
            case ENUM_CONSTANT -> "ZQ" + number + "C";
            default -> "zq" + number + "m";
        };
    }

    /** A name of the same form that stands in the same file. */
    private static String takenName(Symbol symbol, Tokens tokens, Random random) {
        boolean upper = Character.isUpperCase(symbol.name().charAt(0));
        List<String> candidates = new ArrayList<>();
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.kind(i) == TokenKind.IDENTIFIER && Character.isUpperCase(tokens.name(i).charAt(0)) == upper
                    && !tokens.name(i).equals(symbol.name())) {
                candidates.add(tokens.name(i));
            }
        }
        return candidates.isEmpty() ? "zqName" : candidates.get(random.nextInt(candidates.size()));
    }

    /** White space, a keyword or a number. */
    @Override
    Optional<Place> barren(SourceFile file, Random random) {
        Tokens tokens = file.tokens();
        int token = token(tokens, random);
        boolean isBarren = tokens.kind(token) != TokenKind.IDENTIFIER && !tokens.kind(token).isComment()
                && tokens.kind(token - 1) != TokenKind.IDENTIFIER && tokens.kind(token + 1) != TokenKind.IDENTIFIER;
        return isBarren
                ? Optional.of(new Place(file.path(), new Range(tokens.start(token), tokens.start(token))))
                : Optional.empty();
    }
}
