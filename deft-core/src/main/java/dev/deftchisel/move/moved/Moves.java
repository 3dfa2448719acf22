package dev.deftchisel.move.moved;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.SymbolEffects.SymbolMap;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * All types that move at once.
 *
 * @param types each with where it goes
 * @param files what becomes of the files that go as a whole, with all of their types
 */
public record Moves(List<MovedType> types, Map<Path, FileGoal> files) {

    /** Copies the collections. */
    public Moves {
        types = List.copyOf(types);
        files = Map.copyOf(files);
    }

    /** One type; its file goes along when nothing else is declared in it. */
    public static Moves of(MovedType type) {
        return new Moves(List.of(type), type.isAlone() && type.destination() instanceof Destination.OwnFile own
                ? Map.of(type.file().path(), new FileGoal(own.root().folderOf(own.packageName())
                        .resolve(type.name() + ".java"), own.packageName())) : Map.of());
    }

    /** What the types are then. */
    public SymbolMap map() {
        Map<SymbolKey, SymbolKey> owners = new HashMap<>();
        types.forEach(type -> owners.put(type.key(), type.destination().owner()));
        return SymbolMap.NONE.ownedBy(owners);
    }

    /** Whether a file goes as a whole. */
    public boolean isWhole(Path file) {
        return files.containsKey(file);
    }

    /** In which package the code of a file is then. */
    public String packageOf(SourceFile file) {
        return Optional.ofNullable(files.get(file.path())).map(FileGoal::packageName)
                .orElse(file.header().packageName());
    }

    /** Whether a place lies in what moves. */
    public boolean goes(SourceFile file, Range place) {
        return isWhole(file.path()) || types.stream().anyMatch(type -> type.holds(file.path(), place));
    }

    /** The moved type that a type is, or in which it is declared. */
    public Optional<MovedType> around(SymbolKey type) {
        return types.stream().filter(one -> one.holds(type)).findFirst();
    }
}
