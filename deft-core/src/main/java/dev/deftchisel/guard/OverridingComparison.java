package dev.deftchisel.guard;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Binding;
import dev.deftchisel.analysis.Overriding;
import dev.deftchisel.analysis.Symbol;
import dev.deftchisel.analysis.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Compares which methods override which. Only methods that a change renames can differ, and only in the types below the
 * ones that declare them.
 */
final class OverridingComparison {

    private final Analysis before;
    private final Analysis after;
    private final Change change;
    private final Mapping mapping;

    OverridingComparison(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
        this.mapping = change.mapping();
    }

    List<Difference> differences() {
        Set<String> names = new HashSet<>();
        Set<String> owners = new HashSet<>();
        for (Map.Entry<SymbolKey, String> entry : change.meaning().names().entrySet()) {
            if (entry.getKey() instanceof SymbolKey.Method method) {
                names.add(method.name());
                names.add(entry.getValue());
                before.symbol(method.owner()).map(Symbol::name).filter(name -> !name.isEmpty()).ifPresent(owners::add);
            }
        }
        if (names.isEmpty()) {
            return List.of();
        }
        Set<Overriding> expected = new HashSet<>();
        for (Overriding pair : before.overridings(names, owners)) {
            expected.add(new Overriding(
                    mapping.key(pair.type()), mapping.key(pair.overriding()), mapping.key(pair.overridden())));
        }
        Set<Overriding> actual = after.overridings(names, owners);
        List<Difference> differences = new ArrayList<>();
        Set<String> told = new HashSet<>();
        for (Overriding pair : actual) {
            if (!expected.contains(pair) && told.add(pair.overriding() + " " + pair.overridden())) {
                differences.add(difference(pair, "would override or implement"));
            }
        }
        for (Overriding pair : expected) {
            if (!actual.contains(pair) && told.add(pair.overriding() + " " + pair.overridden())) {
                differences.add(difference(pair, "would no longer override or implement"));
            }
        }
        return differences;
    }

    private Difference difference(Overriding pair, String what) {
        Binding place = after.declaration(pair.overriding())
                .or(() -> after.declaration(pair.overridden()))
                .or(() -> after.declaration(pair.type()))
                .orElse(null);
        String sentence = describe(pair.overriding()) + " " + what + " " + describe(pair.overridden())
                + (isMember(pair) ? "" : " in " + describe(pair.type()));
        if (place == null) {
            return new Difference(Difference.Kind.OVERRIDING, before.snapshot().workspace().root(), new Range(0, 0),
                    Optional.empty(), Optional.empty(), sentence);
        }
        var file = mapping.origin(place.file());
        int origin = mapping.origin(file, place.range().start());
        return new Difference(Difference.Kind.OVERRIDING, file, new Range(origin, origin),
                Optional.empty(), Optional.empty(), sentence);
    }

    private static boolean isMember(Overriding pair) {
        return pair.overriding() instanceof SymbolKey.Method method && method.owner().equals(pair.type());
    }

    private String describe(SymbolKey key) {
        return after.symbol(key).map(Symbol::signature).orElse(key.toString());
    }
}
