package dev.deftchisel.analysis;

import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.symbol.MethodRelation;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.RecordComponentElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.util.ElementFilter;

/**
 * The declarations that are one thing under one name, so that they must be renamed, searched for and changed together.
 *
 * <ul>
 * <li>A method with every method it overrides or is overridden by, directly or through others, also where a class
 * that neither declares joins an inherited method with an interface (JLS 8.4.8.1, 8.4.8.4).
 * <li>A record component with its field, its accessor and that one's family, and the parameter of the canonical
 * constructor, which must bear its name (JLS 8.10.3, 8.10.4.1).
 * </ul>
 */
public final class Family {

    private Family() {
    }

    /**
     * The family of a symbol, the symbol itself among it.
     *
     * @param target   any symbol
     * @param analysis in which every file that mentions its name was looked at
     */
    public static Set<SymbolKey> of(Symbol target, Analysis analysis) {
        Set<SymbolKey> keys = new LinkedHashSet<>(Set.of(target.key()));
        boolean grown = true;
        while (grown) {
            grown = false;
            for (SymbolKey key : List.copyOf(keys)) {
                grown |= keys.addAll(recordMembers(key, analysis));
            }
            grown |= keys.addAll(methods(keys, target.name(), analysis));
        }
        return keys;
    }

    /** The connected families of the methods among the keys. */
    private static Set<SymbolKey> methods(Set<SymbolKey> keys, String name, Analysis analysis) {
        Set<SymbolKey> family = new HashSet<>();
        Set<String> owners = new HashSet<>();
        for (SymbolKey key : keys) {
            if (key instanceof SymbolKey.Method method && isOverridable(key, analysis)) {
                family.add(key);
                ownerName(method, analysis).ifPresent(owners::add);
            }
        }
        if (family.isEmpty()) {
            return family;
        }
        Set<MethodRelation> relations = analysis.methodRelations(Set.of(name), owners);
        boolean grown = true;
        while (grown) {
            grown = false;
            for (MethodRelation pair : relations) {
                if (pair.isFamily() && (family.contains(pair.method()) || family.contains(pair.other()))) {
                    grown |= family.add(pair.method());
                    grown |= family.add(pair.other());
                }
            }
        }
        return family;
    }

    private static boolean isOverridable(SymbolKey key, Analysis analysis) {
        return analysis.symbol(key)
                .filter(symbol -> symbol.kind().isMethod() && !symbol.isStatic() && !symbol.isPrivate())
                .isPresent();
    }

    private static Optional<String> ownerName(SymbolKey.Method method, Analysis analysis) {
        return analysis.symbol(method.owner()).map(Symbol::name).filter(name -> !name.isEmpty());
    }

    /** For a component its accessor and constructor parameter, for an accessor its component. */
    private static Set<SymbolKey> recordMembers(SymbolKey key, Analysis analysis) {
        SymbolKey owner;
        if (key instanceof SymbolKey.Field field) {
            owner = field.owner();
        } else if (key instanceof SymbolKey.Method method && method.descriptor().startsWith("()")) {
            owner = method.owner();
        } else {
            owner = null;
        }
        Element element = owner == null
                ? null
                : analysis.known(owner).map(Analysis.KnownElement::element).orElse(null);
        if (!(element instanceof TypeElement type) || type.getKind() != ElementKind.RECORD) {
            return Set.of();
        }
        String name = key instanceof SymbolKey.Field field ? field.name() : ((SymbolKey.Method) key).name();
        Set<SymbolKey> members = new LinkedHashSet<>();
        for (RecordComponentElement component : type.getRecordComponents()) {
            if (component.getSimpleName().contentEquals(name)) {
                members.add(new SymbolKey.Field(owner, name));
                members.add(analysis.key(component.getAccessor()));
                canonicalParameter(type, name).map(analysis::key)
                        .filter(found -> !(found instanceof SymbolKey.Unknown))
                        .ifPresent(members::add);
            }
        }
        return members;
    }

    /**
     * The parameter of an explicit canonical constructor; that of an implicit or compact one is the component itself.
     */
    private static Optional<VariableElement> canonicalParameter(TypeElement record, String name) {
        List<String> types = record.getRecordComponents().stream()
                .map(component -> NamedTypes.shown(component.asType()))
                .toList();
        for (ExecutableElement constructor : ElementFilter.constructorsIn(record.getEnclosedElements())) {
            List<String> parameters = constructor.getParameters().stream()
                    .map(parameter -> NamedTypes.shown(parameter.asType()))
                    .toList();
            if (parameters.equals(types)) {
                return constructor.getParameters().stream()
                        .map(VariableElement.class::cast)
                        .filter(parameter -> parameter.getSimpleName().contentEquals(name))
                        .findFirst();
            }
        }
        return Optional.empty();
    }

    /**
     * Whether a lambda may implement one of the methods (JLS 9.8), by way of its own interface or of one below that.
     *
     * @param family   of a method
     * @param analysis in which every file that mentions its name was looked at
     */
    public static boolean mayHaveLambdas(Set<SymbolKey> family, Analysis analysis) {
        return family.stream().flatMap(key -> analysis.known(key).stream())
                .filter(known -> known.element().getKind() == ElementKind.METHOD
                        && known.element().getModifiers().contains(Modifier.ABSTRACT)
                        && known.element().getEnclosingElement().getKind().isInterface())
                .anyMatch(known -> isFunction(known, analysis));
    }

    private static boolean isFunction(Analysis.KnownElement known, Analysis analysis) {
        TypeElement owner = (TypeElement) known.element().getEnclosingElement();
        if (isFunctionOf(owner, known)) {
            return true;
        }
        return new Subtypes(analysis.snapshot()).of(Set.of(owner.getSimpleName().toString())).entrySet().stream()
                .anyMatch(file -> file.getValue().stream().anyMatch(type -> {
                    String home = file.getKey().header().packageName();
                    TypeElement below = known.elements().getTypeElement((home.isEmpty() ? "" : home + ".")
                            + type.nestedName());
                    // what stands in a body has no name to be found by
                    return below == null || isFunctionOf(below, known);
                }));
    }

    private static boolean isFunctionOf(TypeElement type, Analysis.KnownElement known) {
        return Functions.method(known.elements(), type.asType())
                .filter(method -> method.getSimpleName().equals(known.element().getSimpleName())).isPresent();
    }
}
