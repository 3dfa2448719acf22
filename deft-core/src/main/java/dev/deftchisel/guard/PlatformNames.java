package dev.deftchisel.guard;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Finds members that serialization looks up by name, signature and access, so that no code mentions them and yet their
 * name has a meaning (Java Object Serialization Specification, 1.5, 2.3 to 2.6, 3.4 to 3.7, 4.6).
 */
final class PlatformNames {

    private static final Map<String, Set<String>> METHODS = Map.of(
            "writeObject", Set.of("(Ljava.io.ObjectOutputStream;)V"),
            "readObject", Set.of("(Ljava.io.ObjectInputStream;)V"),
            "readObjectNoData", Set.of("()V"),
            "writeReplace", Set.of("()Ljava.lang.Object;"),
            "readResolve", Set.of("()Ljava.lang.Object;"));
    private static final String PERSISTENT = "serialPersistentFields";
    private static final Set<String> FIELDS = Set.of("serialVersionUID", PERSISTENT);

    private final Analysis before;
    private final Change change;

    PlatformNames(Analysis before, Change change) {
        this.before = before;
        this.change = change;
    }

    List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        change.meaning().names().forEach((key, newName) -> {
            if (key instanceof SymbolKey.Field field && isStatic(key)) {
                check(key, field.owner(), FIELDS.contains(field.name()), FIELDS.contains(newName), newName)
                        .ifPresent(differences::add);
            } else if (key instanceof SymbolKey.Method method) {
                check(key, method.owner(), isSpecial(method.name(), method.descriptor()),
                        isSpecial(newName, method.descriptor()), newName).ifPresent(differences::add);
            }
        });
        change.meaning().opened().stream()
                .filter(key -> key instanceof SymbolKey.Method method && isSpecial(method.name(), method.descriptor())
                        && isSerializable(method.owner())
                        || key instanceof SymbolKey.Field field && field.name().equals(PERSISTENT)
                        && isSerializable(field.owner()))
                .forEach(key -> differences.add(difference(key, name(key)
                        + " is found when objects are serialized only as it is declared")));
        return differences;
    }

    private boolean isStatic(SymbolKey key) {
        return before.symbol(key).filter(symbol -> symbol.modifiers().contains(Modifier.STATIC)).isPresent();
    }

    private static boolean isSpecial(String name, String descriptor) {
        return METHODS.getOrDefault(name, Set.of()).contains(descriptor);
    }

    private Optional<Difference> check(SymbolKey key, SymbolKey owner, boolean was, boolean willBe, String newName) {
        if (!was && !willBe || !isSerializable(owner)) {
            return Optional.empty();
        }
        return Optional.of(difference(key, was ? name(key)
                + " is found by this name when objects are serialized, and would no longer be"
                : name(key) + " would be found by the name " + newName + " when objects are serialized"));
    }

    private String name(SymbolKey key) {
        return before.symbol(key).map(Symbol::signature).orElse("this");
    }

    private Difference difference(SymbolKey key, String sentence) {
        Optional<Binding> declared = before.declaration(key);
        Path place = declared.map(Binding::file).orElse(before.snapshot().workspace().root());
        return new Difference(Difference.Kind.BINDING, place,
                declared.map(Binding::range).orElse(new Range(0, 0)), Optional.of(key), Optional.empty(), sentence);
    }

    private boolean isSerializable(SymbolKey owner) {
        return before.known(owner).filter(known -> {
            Element serializable = known.elements().getTypeElement("java.io.Serializable");
            return known.element() instanceof TypeElement type && serializable != null
                    && known.types().isSubtype(known.types().erasure(type.asType()), serializable.asType());
        }).isPresent();
    }
}
