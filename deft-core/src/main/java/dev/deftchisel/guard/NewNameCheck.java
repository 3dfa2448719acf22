package dev.deftchisel.guard;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.PlaceAfter;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Checks that a name which a change gives to something new means just that wherever the change writes it: a variable or
 * method of the same name that is nearer would be meant instead (JLS 6.4.1).
 */
final class NewNameCheck {

    private final Analysis after;
    private final Change change;

    NewNameCheck(Analysis after, Change change) {
        this.after = after;
        this.change = change;
    }

    /**
     * A place where such a name is written.
     *
     * @param file before the change
     * @param edit that writes it
     * @param site where it stands afterwards
     */
    private record WrittenName(FileChange file, Edit edit, PlaceAfter site) {
    }

    List<Difference> differences() {
        Map<String, List<WrittenName>> byName = new HashMap<>();
        Mapping mapping = change.mapping();
        for (FileChange file : change.effective()) {
            for (Edit edit : file.takenEdits()) {
                for (Range name : edit.linked()) {
                    int start = mapping.written(file.path(), edit).start();
                    byName.computeIfAbsent(edit.replacement().substring(name.start(), name.end()),
                            text -> new ArrayList<>())
                            .add(new WrittenName(file, edit, new PlaceAfter(file.pathAfter(),
                                    new Range(start + name.start(), start + name.end()))));
                }
            }
        }
        List<Difference> differences = new ArrayList<>();
        byName.forEach((name, places) -> {
            List<SymbolKey> declared = places.stream().flatMap(place -> at(place.site()).stream())
                    .filter(binding -> binding.role() == Role.DECLARATION)
                    .map(Binding::key)
                    .toList();
            places.stream()
                    .filter(place -> declared.size() != 1
                            || at(place.site()).stream().noneMatch(binding -> binding.key().equals(declared.get(0))))
                    .forEach(place -> differences.add(difference(name, place)));
        });
        return differences;
    }

    private List<Binding> at(PlaceAfter site) {
        return after.bindings(site.file()).stream()
                .filter(binding -> binding.isNamed() && binding.range().equals(site.range()))
                .toList();
    }

    private Difference difference(String name, WrittenName place) {
        Optional<SymbolKey> actual = at(place.site()).stream().map(Binding::key).findFirst();
        String other = actual.flatMap(after::symbol).map(symbol -> "the " + symbol.describe()).orElse("something else");
        return new Difference(Difference.Kind.BINDING, place.file().path(), place.edit().range(), Optional.empty(),
                actual,
                "'" + name + "' would mean " + other + " here; choose another name");
    }
}
