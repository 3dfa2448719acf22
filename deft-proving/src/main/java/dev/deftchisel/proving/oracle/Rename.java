package dev.deftchisel.proving.oracle;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.SymbolEffects;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * What a rename says that it does.
 *
 * @param title    for messages
 * @param meaning  the new name of each symbol
 * @param oldNames the former simple name of each symbol
 */
public record Rename(String title, SymbolEffects meaning, Map<SymbolKey, String> oldNames) {

    /** Reads it off a change and the analysis it was planned with. */
    public static Rename of(Change change, Analysis before) {
        Map<SymbolKey, String> oldNames = new HashMap<>();
        change.meaning().names().keySet().forEach(key -> before.symbol(key).map(Symbol::name).or(() -> name(key))
                .ifPresent(name -> oldNames.put(key, name)));
        return new Rename(change.title(), change.meaning(), oldNames);
    }

    /** Of what is not in the analysis, since an annotation processor adds it and nothing names it. */
    private static Optional<String> name(SymbolKey key) {
        if (key instanceof SymbolKey.Method method) {
            return Optional.of(method.name());
        }
        if (key instanceof SymbolKey.Field field) {
            return Optional.of(field.name());
        }
        return key instanceof SymbolKey.Type type ? Optional.of(type.simpleName()) : Optional.empty();
    }
}
