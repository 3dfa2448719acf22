package dev.deftchisel.rename;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * What is named after a symbol: the accessors of a field and the parameters of constructors and accessors that give it
 * its value (JavaBeans 8.3); variables named after their type, one or many; the test of a class.
 */
final class RelatedNames {

    private final Symbol target;
    private final Map<String, String> words = new LinkedHashMap<>();

    /** @param kept names that stay as they are */
    RelatedNames(Symbol target, String newName, Set<String> kept) {
        this.target = target;
        if (target.kind() == SymbolKind.FIELD && !target.isStatic()) {
            words.put(target.name(), newName);
            for (String verb : List.of("get", "is", "set", "with", "has")) {
                words.put(verb + capital(target.name()), verb + capital(newName));
            }
        } else if (target.kind().isType()) {
            words.put(small(target.name()), small(newName));
            words.put(NameProposals.many(small(target.name())), NameProposals.many(small(newName)));
            for (String end : List.of("Test", "Tests", "IT")) {
                words.put(target.name() + end, newName + end);
            }
        }
        words.keySet().removeAll(kept);
    }

    private static String capital(String name) {
        return Character.toUpperCase(name.charAt(0)) + name.substring(1);
    }

    private static String small(String name) {
        return Character.toLowerCase(name.charAt(0)) + name.substring(1);
    }

    /** The names that they can have, old and new. */
    Set<String> names() {
        Set<String> all = new LinkedHashSet<>(words.keySet());
        all.addAll(words.values());
        return all;
    }

    /**
     * Their families with the name that each gets.
     *
     * @param before in which all files that mention one of the {@link #names} were looked at
     */
    Map<Set<SymbolKey>, String> in(Analysis before) {
        Map<Set<SymbolKey>, String> found = new LinkedHashMap<>();
        Set<SymbolKey> seen = new LinkedHashSet<>(Family.of(target, before));
        for (SourceFile file : before.files()) {
            for (Binding binding : before.bindings(file.path())) {
                Optional<Symbol> symbol = binding.role() == Role.DECLARATION && binding.isNamed()
                        ? before.symbol(binding.key())
                        : Optional.empty();
                if (symbol.filter(one -> words.containsKey(one.name()) && isNamesake(one, binding, before)).isPresent()
                        && !seen.contains(binding.key())) {
                    Set<SymbolKey> family = Family.of(symbol.get(), before);
                    // what a library declares keeps its name, and so does what implements it
                    if (family.stream().allMatch(key -> before.symbol(key).filter(Symbol::isSource).isPresent())) {
                        found.put(family, words.get(symbol.get().name()));
                    }
                    seen.addAll(family);
                }
            }
        }
        return found;
    }

    private boolean isNamesake(Symbol symbol, Binding declared, Analysis before) {
        if (target.kind().isType()) {
            return symbol.kind().isType() ? isTest(symbol, declared, before) : isOfType(symbol, before);
        }
        boolean isOfOwner = symbol.owner().equals(target.owner());
        return symbol.kind() == SymbolKind.METHOD ? isOfOwner && !symbol.isStatic()
                : symbol.kind() == SymbolKind.PARAMETER && sets(declared, before);
    }

    private boolean isTest(Symbol symbol, Binding declared, Analysis before) {
        return symbol.key() instanceof SymbolKey.Type type && type.topLevel().equals(type.binaryName())
                && before.snapshot().file(declared.file()).filter(file -> file.root().use() == SourceRoot.Use.TEST)
                .isPresent();
    }

    /** Whether a variable is named after its type: one object, or an array or collection of these. */
    private boolean isOfType(Symbol symbol, Analysis before) {
        boolean isVariable = symbol.kind().isField() && symbol.kind() != SymbolKind.ENUM_CONSTANT
                || symbol.kind().isLocal() && symbol.kind() != SymbolKind.LABEL
                && symbol.kind() != SymbolKind.TYPE_PARAMETER;
        return isVariable && before.known(symbol.key()).filter(known -> {
            TypeMirror type = known.element().asType();
            if (isTarget(type, before)) {
                return symbol.name().equals(small(target.name()));
            }
            return symbol.name().equals(NameProposals.many(small(target.name())))
                    && (type instanceof ArrayType array ? isTarget(array.getComponentType(), before)
                            : type instanceof DeclaredType declared && declared.getTypeArguments().stream()
                            .anyMatch(argument -> isTarget(argument, before)));
        }).isPresent();
    }

    private boolean isTarget(TypeMirror type, Analysis before) {
        return type instanceof DeclaredType declared && before.key(declared.asElement()).equals(target.key());
    }

    /** Whether a parameter of a constructor or method of the same class gives the field its value by its name. */
    private boolean sets(Binding declared, Analysis before) {
        boolean isOfClass = before.enclosing(declared.file(), declared.range().start()).stream().findFirst()
                .filter(around -> Optional.of(around.key()).equals(target.owner())).isPresent();
        Optional<AttributedFile> code = before.code(declared.file());
        Optional<TreePath> method = code.flatMap(known -> known.around(declared.range()).stream()
                .filter(path -> path.getLeaf() instanceof MethodTree).findFirst());
        return isOfClass && method.filter(path -> code.get().text(path.getLeaf())
                .matches("(?s).*\\bthis\\s*\\.\\s*" + target.name() + "\\s*=[^;]*\\b" + target.name() + "\\b.*"))
                .isPresent();
    }
}
