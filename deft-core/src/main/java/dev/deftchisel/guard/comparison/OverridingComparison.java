package dev.deftchisel.guard.comparison;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.MethodRelation;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Compares which methods override, implement or clash with which. Only methods that a change renames, takes away,
 * opens or gives other parameters can differ, and only in the types below the ones that declare them.
 */
public final class OverridingComparison {

    private final Analysis before;
    private final Analysis after;
    private final Change change;
    private final Mapping mapping;

    public OverridingComparison(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
        this.mapping = change.mapping();
    }

    public List<Difference> differences() {
        Set<String> names = new HashSet<>();
        Set<String> owners = new HashSet<>();
        for (Map.Entry<SymbolKey, String> entry : change.meaning().names().entrySet()) {
            if (entry.getKey() instanceof SymbolKey.Method method) {
                names.add(method.name());
                names.add(entry.getValue());
                before.symbol(method.owner()).map(Symbol::name).filter(name -> !name.isEmpty()).ifPresent(owners::add);
            }
        }
        Stream<SymbolKey.Method> declaredOtherwise = Stream.concat(
                        change.meaning().signatures().keySet().stream(), change.meaning().opened().stream())
                .filter(key -> key instanceof SymbolKey.Method)
                .map(key -> (SymbolKey.Method) key);
        added().forEach(method -> {
            names.add(method.name());
            after.symbol(method.owner()).map(Symbol::name).filter(name -> !name.isEmpty()).ifPresent(owners::add);
        });
        Stream.concat(removed().stream(), declaredOtherwise).forEach(method -> {
            names.add(method.name());
            before.symbol(method.owner()).map(Symbol::name).filter(name -> !name.isEmpty()).ifPresent(owners::add);
        });
        if (names.isEmpty()) {
            return List.of();
        }
        Set<MethodRelation> expected = new HashSet<>();
        for (MethodRelation pair : before.methodRelations(names, owners)) {
            if (isWrittenOtherwise(pair.type())) {
                continue;
            }
            expected.add(new MethodRelation(
                    mapping.key(pair.type()), pair.kind(), mapping.key(pair.method()), mapping.key(pair.other())));
        }
        Set<MethodRelation> actual = after.methodRelations(names, owners);
        List<Difference> differences = new ArrayList<>();
        Set<Set<SymbolKey>> told = new HashSet<>();
        Set<SymbolKey> renamed = mapping.renamed();
        for (MethodRelation pair : actual) {
            boolean isSaidBetterTheOtherWay = pair.kind() != MethodRelation.Kind.OVERRIDES
                    && !renamed.contains(pair.method());
            if (!isSaidBetterTheOtherWay && !expected.contains(pair) && isFirst(pair, told)) {
                differences.add(difference(pair, "would " + words(pair)));
            }
        }
        for (MethodRelation pair : expected) {
            if (!actual.contains(pair) && isFirst(pair, told)) {
                differences.add(difference(pair, "would no longer " + words(pair)));
            }
        }
        return differences;
    }

    /**
     * Whether nothing was told of a pair yet. A class in a lambda that the compiler dropped has the methods that it
     * overrides, see {@code ElementKeys}, so that these seem to override themselves.
     */
    private static boolean isFirst(MethodRelation pair, Set<Set<SymbolKey>> told) {
        return !pair.method().equals(pair.other()) && told.add(Set.of(pair.method(), pair.other()));
    }

    /** Whether a class of a body is not there any more, since the change is free to say in another form what it did. */
    private boolean isWrittenOtherwise(SymbolKey type) {
        return change.meaning().freedom() != SymbolEffects.Leeway.NONE && type instanceof SymbolKey.LocalType local
                && mapping.isReplaced(local.file(), new Range(local.offset(), local.offset() + 1))
                && mapping.copies(local.file(), new Range(local.offset(), local.offset() + 1)).isEmpty();
    }

    /** New methods in types of which the change does not say that they get members that override others. */
    private List<SymbolKey.Method> added() {
        // where something was missing, it comes to be wherever it is asked for
        return change.meaning().freedom() != SymbolEffects.Leeway.NONE || before.errors().stream()
                .anyMatch(Uncertainty::isOfMissing) ? List.of()
                : change.effective().stream().filter(file -> !file.isNew())
                .flatMap(file -> {
                    Set<SymbolKey> known = declaredMethods(before, file.path()).map(mapping::key)
                            .collect(Collectors.toSet());
                    return declaredMethods(after, file.pathAfter()).filter(method -> !known.contains(method));
                })
                .filter(method -> before.declaration(method).isEmpty() && !change.meaning().extended()
                        .contains(method.owner()))
                .distinct().toList();
    }

    private static Stream<SymbolKey.Method> declaredMethods(Analysis analysis, Path file) {
        return analysis.bindings(file).stream()
                .filter(binding -> binding.role() == Role.DECLARATION && binding.isNamed()
                        && binding.key() instanceof SymbolKey.Method)
                .map(binding -> (SymbolKey.Method) binding.key());
    }

    /** The methods whose declaration goes, which others may override or be overridden by. */
    private List<SymbolKey.Method> removed() {
        return change.effective().stream()
                .flatMap(file -> before.bindings(file.path()).stream()
                        .filter(binding -> binding.role() == Role.DECLARATION && binding.isNamed()
                                && binding.key() instanceof SymbolKey.Method
                                && mapping.isReplaced(file.path(), binding.range())
                                && mapping.copies(file.path(), binding.range()).isEmpty()))
                .map(binding -> (SymbolKey.Method) binding.key())
                .toList();
    }

    private static String words(MethodRelation pair) {
        return switch (pair.kind()) {
            case OVERRIDES -> "override or implement";
            case MERGES -> "be one method with";
            case CLASHES -> "clash with";
        };
    }

    private Difference difference(MethodRelation pair, String what) {
        Binding place = after.declaration(pair.method())
                .or(() -> after.declaration(pair.other()))
                .or(() -> after.declaration(pair.type()))
                .orElse(null);
        String sentence = describe(pair.method()) + " " + what + " " + describe(pair.other())
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

    private static boolean isMember(MethodRelation pair) {
        return pair.method() instanceof SymbolKey.Method method && method.owner().equals(pair.type());
    }

    private String describe(SymbolKey key) {
        return after.symbol(key).or(() -> before.symbol(key)).map(Symbol::signature)
                // one that is only there in between, since an annotation adds it
                .orElseGet(() -> key instanceof SymbolKey.Method method && method.owner() instanceof SymbolKey.Type type
                        ? type.binaryName().replaceFirst(".*[.$]", "") + "." + method.name() + "()" : "what is added");
    }
}
