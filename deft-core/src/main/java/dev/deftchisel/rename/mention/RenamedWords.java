package dev.deftchisel.rename.mention;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * The words that a rename changes, for those who look for them in text.
 *
 * @param oldName      the word searched for
 * @param newName      what takes its place
 * @param qualifiedOld the whole name by which resources may refer to it; the word itself when there is none
 * @param qualifiedNew what takes its place
 * @param along        other names that change with it, old and new
 * @param properties   names of properties as expressions write them where the code has accessors, old and new
 * @param types        qualified names of types by which text may refer to them, old and new
 * @param home         the file that declares it, if that counts
 */
public record RenamedWords(String oldName, String newName, String qualifiedOld, String qualifiedNew,
        Map<String, String> along, Map<String, String> properties, Map<String, String> types,
        Optional<Path> home) {

    /** Copies the maps. */
    public RenamedWords {
        along = Map.copyOf(along);
        properties = Map.copyOf(properties);
        types = Map.copyOf(types);
    }

    /** One name and nothing else. */
    public RenamedWords(String oldName, String newName, String qualifiedOld, String qualifiedNew) {
        this(oldName, newName, qualifiedOld, qualifiedNew, Map.of(), Map.of(), Map.of(), Optional.empty());
    }

    /**
     * A name as a whole, and the types that come with it.
     *
     * @param types their qualified names, old and new
     */
    public static RenamedWords moved(String oldName, String newName, Map<String, String> types) {
        return new RenamedWords(oldName, newName, oldName, newName, Map.of(), Map.of(), types, Optional.empty());
    }

    /** What a rename changes, by what it gives another name. */
    public static RenamedWords of(Symbol target, String newName, Map<SymbolKey, String> names, Analysis before) {
        String oldName = target.name();
        Map<String, String> along = new HashMap<>();
        Map<String, String> properties = new HashMap<>();
        names.forEach((key, name) -> before.symbol(key).filter(symbol -> !symbol.kind().isLocal()).ifPresent(symbol -> {
            if (!symbol.name().equals(oldName) && !symbol.name().isEmpty()) {
                along.put(symbol.name(), name);
            }
            if (symbol.kind() == SymbolKind.METHOD) {
                Accessors.property(symbol.name()).ifPresent(property -> Accessors.property(name)
                        .ifPresent(other -> properties.put(property, other)));
            }
        }));
        along.keySet().forEach(properties::remove);
        properties.remove(oldName);
        Optional<Path> home = before.declaration(target.key()).map(Binding::file);
        if (target.key() instanceof SymbolKey.Type type) {
            String binary = type.binaryName();
            String outer = binary.substring(0, binary.length() - oldName.length());
            return new RenamedWords(oldName, newName, binary, outer + newName, along, properties, Map.of(),
                    home);
        }
        return new RenamedWords(oldName, newName, oldName, newName, along, properties, Map.of(), home);
    }
}
