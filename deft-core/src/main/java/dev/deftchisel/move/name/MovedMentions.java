package dev.deftchisel.move.name;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects.SymbolMap;
import dev.deftchisel.move.moved.MovedType;
import dev.deftchisel.move.moved.Moves;
import dev.deftchisel.rename.mention.Mentions;
import dev.deftchisel.rename.mention.RenamedWords;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.workspace.Snapshot;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/** Where text names a type that moves by its qualified name. */
public final class MovedMentions {

    private final Optional<Mentions> mentions;

    public MovedMentions(Snapshot snapshot, Moves moves, Mentions.Choice choice) {
        Map<String, String> types = new TreeMap<>();
        SymbolMap map = moves.map();
        for (MovedType moved : moves.types()) {
            String binary = moved.key().binaryName();
            String binaryThen = ((SymbolKey.Type) map.key(moved.key())).binaryName();
            // a name without a package is a word as any other
            if (!binary.equals(binaryThen) && binary.contains(".")) {
                types.put(binary, binaryThen);
                types.put(moved.canonicalName(), moved.newName());
            }
        }
        this.mentions = types.keySet().stream().findFirst().map(first -> new Mentions(snapshot,
                RenamedWords.moved(first, types.get(first), types), choice));
    }

    /** Adds those in Java files to the edits that are there. */
    public void addTo(EditsByFile edits) {
        mentions.ifPresent(text -> text.inJava(Optional.empty(), Map.of()).forEach((path, found) -> {
            List<Edit> known = List.copyOf(edits.of(path));
            found.stream().filter(edit -> known.stream().noneMatch(other -> other.range().overlaps(edit.range())))
                    .forEach(edits.of(path)::add);
        }));
    }

    /** Those in files that are not Java. */
    public List<FileChange> inOtherFiles() {
        return mentions.map(text -> Stream.of(text.inResources(Map.of()), text.beside())
                .flatMap(List::stream).toList()).orElseGet(ArrayList::new);
    }
}
