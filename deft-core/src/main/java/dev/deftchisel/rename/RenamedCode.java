package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Edits of all references to what is renamed, and the files that move along. */
final class RenamedCode {

    private final Analysis before;
    private final Map<Path, Map<Range, Edit>> references = new LinkedHashMap<>();
    private final Map<Path, Path> moves = new LinkedHashMap<>();
    private final Map<SymbolKey, String> names = new LinkedHashMap<>();

    RenamedCode(Analysis before) {
        this.before = before;
    }

    /** Symbols that are called so then, with the files of top-level types; the first name of a symbol stays. */
    void rename(Set<SymbolKey> keys, String name) {
        edit(keys, name);
        keys.forEach(key -> before.symbol(key).ifPresent(symbol -> moves.putAll(moves(symbol, name))));
    }

    /** Symbols that are called so then without that their declaration stands in the code. */
    void edit(Set<SymbolKey> keys, String name) {
        new ReferenceEdits(before, keys, name).all().forEach((path, found) ->
                references.computeIfAbsent(path, absent -> new LinkedHashMap<>()).putAll(found));
        keys.forEach(key -> names.putIfAbsent(key, name));
    }

    /** Each renamed symbol with its new name. */
    Map<SymbolKey, String> names() {
        return Map.copyOf(names);
    }

    /** A file that one of the moved ones would overwrite. */
    Optional<Path> taken() {
        return moves.values().stream().filter(moved -> before.snapshot().file(moved).isPresent()).findFirst();
    }

    /** The changed files: references, and what else is edited in them. */
    List<FileChange> files(List<Map<Path, List<Edit>>> others) {
        Map<Path, List<Edit>> edits = new LinkedHashMap<>();
        references.forEach((path, byRange) -> edits.put(path, new ArrayList<>(byRange.values())));
        others.forEach(other -> other.forEach((path, found) ->
                edits.computeIfAbsent(path, file -> new ArrayList<>()).addAll(found)));
        return edits.entrySet().stream().map(entry -> new FileChange(entry.getKey(),
                Optional.ofNullable(moves.get(entry.getKey())), before.snapshot().source(entry.getKey()).text(),
                entry.getValue())).toList();
    }

    /** The ranges of the references by file. */
    Map<Path, Set<Range>> ranges() {
        return references.entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, entry -> entry.getValue().keySet()));
    }

    /** A top-level type takes the file that is named after it along (JLS 7.6). */
    private Map<Path, Path> moves(Symbol target, String newName) {
        Map<Path, Path> moves = new HashMap<>();
        if (target.key() instanceof SymbolKey.Type type && type.topLevel().equals(type.binaryName())) {
            before.declaration(type).ifPresent(declared -> {
                if (declared.file().endsWith(target.name() + ".java")) {
                    moves.put(declared.file(), declared.file().resolveSibling(newName + ".java"));
                }
            });
        }
        return moves;
    }
}
