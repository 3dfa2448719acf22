package dev.deftchisel.analysis.binding;

import dev.deftchisel.analysis.symbol.MethodRelation;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;

/**
 * Finds how the methods of some names that meet in a type stand to each other. A type may join methods that it does not
 * mention, so this is asked of types, not read off names.
 */
public final class MethodRelations {

    private final Types types;
    private final Elements elements;
    private final Symbols symbols;
    private final Set<String> names;

    /** @param names simple names of the methods looked at */
    public MethodRelations(Attribution part, Set<String> names) {
        this.types = part.typeRelations();
        this.elements = part.elements();
        this.symbols = part.symbols();
        this.names = names;
    }

    /** Adds what holds in a type. */
    public void collect(TypeElement type, Set<MethodRelation> found) {
        List<ExecutableElement> methods = allMethods(type);
        for (ExecutableElement method : methods) {
            for (ExecutableElement other : methods) {
                if (method != other && method.getSimpleName().equals(other.getSimpleName())) {
                    kind(type, method, other, methods).ifPresent(kind -> found.add(new MethodRelation(
                            symbols.key(type), kind, symbols.key(method), symbols.key(other))));
                }
            }
        }
    }

    private Optional<MethodRelation.Kind> kind(
            TypeElement type, ExecutableElement method, ExecutableElement other, List<ExecutableElement> all) {
        if (type.getKind().isInterface() && !(method.getEnclosingElement().getKind().isInterface()
                && other.getEnclosingElement().getKind().isInterface())) {
            return declaresMethodOfObject(method, other) ? Optional.of(MethodRelation.Kind.OVERRIDES)
                    : Optional.empty();
        }
        if (!isStatic(method) && elements.overrides(method, other, type)) {
            return Optional.of(MethodRelation.Kind.OVERRIDES);
        }
        if (method.getEnclosingElement().equals(other.getEnclosingElement())
                || !isInherited(method, type) || !isInherited(other, type)
                || !(type.asType() instanceof DeclaredType declared)) {
            return Optional.empty();
        }
        ExecutableType signature = (ExecutableType) types.asMemberOf(declared, method);
        ExecutableType otherSignature = (ExecutableType) types.asMemberOf(declared, other);
        boolean areSame = types.isSubsignature(signature, otherSignature)
                || types.isSubsignature(otherSignature, signature);
        if (areSame && isAbstract(method) && isAbstract(other)) {
            return Optional.of(MethodRelation.Kind.MERGES);
        }
        boolean overridden = !isStatic(other) && elements.overrides(other, method, type)
                || isStatic(method) && isStatic(other);
        return !overridden && (areSame || haveSameErasure(method, other))
                && neitherIsSettled(type, method, other, all)
                ? Optional.of(MethodRelation.Kind.CLASHES)
                : Optional.empty();
    }

    /**
     * Whether an interface declares a public method of Object. It inherits nothing from there, but every class that
     * implements it has the method, and for a lambda it does not count (JLS 9.2, 9.8).
     */
    private boolean declaresMethodOfObject(ExecutableElement method, ExecutableElement other) {
        return method.getEnclosingElement().getKind().isInterface() && !other.getEnclosingElement().getKind()
                .isInterface()
                && !isStatic(method) && other.getModifiers().contains(Modifier.PUBLIC)
                && haveSameErasure(method, other);
    }

    /** Whether no method that the type declares itself, or inherits from a class, takes the place of both. */
    private boolean neitherIsSettled(
            TypeElement type, ExecutableElement method, ExecutableElement other, List<ExecutableElement> all) {
        return all.stream().noneMatch(chosen -> !isStatic(chosen) && chosen != method && chosen != other
                && (elements.overrides(chosen, method, type) || elements.overrides(chosen, other, type)));
    }

    private boolean haveSameErasure(ExecutableElement method, ExecutableElement other) {
        if (method.getParameters().size() != other.getParameters().size()) {
            return false;
        }
        for (int i = 0; i < method.getParameters().size(); i++) {
            if (!types.isSameType(types.erasure(method.getParameters().get(i).asType()),
                    types.erasure(other.getParameters().get(i).asType()))) {
                return false;
            }
        }
        return true;
    }

    /** Whether a method is a member of a type, declared or inherited (JLS 8.4.8, 9.4.1); being overridden aside. */
    private boolean isInherited(ExecutableElement method, TypeElement type) {
        Element owner = method.getEnclosingElement();
        if (owner.equals(type)) {
            return true;
        }
        Set<Modifier> modifiers = method.getModifiers();
        boolean isPackagePrivate = !modifiers.contains(Modifier.PUBLIC) && !modifiers.contains(Modifier.PROTECTED);
        return !modifiers.contains(Modifier.PRIVATE)
                && !(isStatic(method) && owner.getKind().isInterface())
                && (!isPackagePrivate || elements.getPackageOf(owner).equals(elements.getPackageOf(type)));
    }

    private static boolean isAbstract(ExecutableElement method) {
        return method.getModifiers().contains(Modifier.ABSTRACT);
    }

    private static boolean isStatic(ExecutableElement method) {
        return method.getModifiers().contains(Modifier.STATIC);
    }

    /** All methods of the names in a type and its supertypes, also those that are overridden. */
    private List<ExecutableElement> allMethods(TypeElement type) {
        List<ExecutableElement> methods = new ArrayList<>();
        Set<Element> seen = new LinkedHashSet<>();
        List<TypeMirror> open = new ArrayList<>(List.of(type.asType()));
        while (!open.isEmpty()) {
            TypeMirror next = open.remove(open.size() - 1);
            if (types.asElement(next) instanceof TypeElement owner && seen.add(owner)) {
                ElementFilter.methodsIn(owner.getEnclosedElements()).stream()
                        .filter(method -> names.contains(method.getSimpleName().toString()))
                        .forEach(methods::add);
                open.addAll(types.directSupertypes(next));
            }
        }
        return methods;
    }
}
