package dev.deftchisel.proving.oracle;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Symbol;
import dev.deftchisel.analysis.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Meaning;
import java.util.HashMap;
import java.util.Map;

/**
 * What a rename says that it does.
 *
 * @param title    for messages
 * @param meaning  the new name of each symbol
 * @param oldNames the former simple name of each symbol
 */
public record Rename(String title, Meaning meaning, Map<SymbolKey, String> oldNames) {

    /** Reads it off a change and the analysis it was planned with. */
    public static Rename of(Change change, Analysis before) {
        Map<SymbolKey, String> oldNames = new HashMap<>();
        change.meaning().names().keySet().forEach(key ->
                before.symbol(key).map(Symbol::name).ifPresent(name -> oldNames.put(key, name)));
        return new Rename(change.title(), change.meaning(), oldNames);
    }
}
