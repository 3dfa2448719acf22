package dev.deftchisel.analysis;

import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKind;
import java.util.LinkedHashSet;
import java.util.Set;

/**
 * The words one of which must stand in a file that uses a symbol. Normally that is its name; but the element
 * {@code value} of an annotation is used wherever the annotation has an argument without a name (JLS 9.7.3).
 */
public final class SearchWords {

    private SearchWords() {
    }

    /**
     * The words for a symbol.
     *
     * @param analysis knows the symbol
     */
    public static Set<String> of(Symbol symbol, Analysis analysis) {
        Set<String> words = new LinkedHashSet<>();
        words.add(symbol.name().substring(symbol.name().lastIndexOf('.') + 1));
        if (symbol.kind() == SymbolKind.ANNOTATION_ELEMENT && symbol.name().equals("value")) {
            symbol.owner().flatMap(analysis::symbol).map(Symbol::name).ifPresent(words::add);
        }
        return words;
    }
}
