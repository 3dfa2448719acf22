package dev.deftchisel.signature.supertype;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * The types above a declared one that would do for all its uses, the most general one first.
 *
 * @param types at least one
 */
public record FittingTypes(List<TypeElement> types) {

    /** The ones that fit a declaration on its own; empty when there are none. */
    public static Optional<FittingTypes> of(Analysis analysis, TypedDeclaration declared) {
        NeededType needed = new NeededType(analysis, declared, Set.of());
        return of(declared, needed.isUsed() ? needed::isEnough : type -> false);
    }

    /** The ones that fit a declaration together with all that {@link RetypedVariables#alike} finds. */
    public static Optional<FittingTypes> ofAll(Analysis analysis, TypedDeclaration declared) {
        return of(declared, type -> new RetypedVariables(analysis, type).alike(declared).stream()
                .anyMatch(one -> one.key().equals(declared.key())));
    }

    private static Optional<FittingTypes> of(TypedDeclaration declared, Predicate<TypeElement> isEnough) {
        AttributedFile code = declared.code();
        List<TypeElement> all = Supertypes.of((TypeElement) declared.type().asElement(), code.types()).stream()
                .filter(type -> isOpen(declared, type) && suitsAbove(declared, type) && isEnough.test(type)).toList();
        List<TypeElement> sorted = all.stream().sorted(Comparator.comparing((TypeElement one) -> all.stream()
                .filter(other -> isBelow(code, one, other)).count())
                .thenComparing(one -> one.getKind() == ElementKind.CLASS)).toList();
        return sorted.isEmpty() ? Optional.empty() : Optional.of(new FittingTypes(sorted));
    }

    /** The most general one; none where nothing is asked of it, so that any object would do. */
    public Optional<TypeElement> best() {
        return types.stream().noneMatch(type -> type.getQualifiedName().contentEquals("java.lang.Object"))
                ? types.stream().findFirst() : Optional.empty();
    }

    /** One of them by its simple or qualified name. */
    public Optional<TypeElement> named(String name) {
        return types.stream().filter(one -> one.getSimpleName().contentEquals(name)
                || one.getQualifiedName().contentEquals(name)).findFirst();
    }

    /** Their simple names, for people. */
    public String shown() {
        return types.stream().map(one -> one.getSimpleName()).collect(Collectors.joining(", "));
    }

    private static boolean isBelow(AttributedFile code, TypeElement one, TypeElement other) {
        return !one.equals(other) && code.isKind(code.types().erasure(one.asType()), code.types().erasure(other
                .asType()));
    }

    /** Whether it may be named there (JLS 6.6.1). */
    private static boolean isOpen(TypedDeclaration declared, TypeElement type) {
        boolean isHere = declared.code().elements().getPackageOf(type).equals(declared.code().elements()
                .getPackageOf(declared.element()));
        for (Element at = type; at instanceof TypeElement; at = at.getEnclosingElement()) {
            boolean isPublic = at.getModifiers().contains(Modifier.PUBLIC);
            if (!isPublic && (!isHere || at.getModifiers().contains(Modifier.PRIVATE))) {
                return false;
            }
        }
        return true;
    }

    /** Whether a method that overrides others may give it back (JLS 8.4.5). */
    private static boolean suitsAbove(TypedDeclaration declared, TypeElement type) {
        AttributedFile code = declared.code();
        return !(declared.element() instanceof ExecutableElement method) || Supertypes.overridden(method,
                code.elements(), code.types()).stream().allMatch(above -> code.isKind(code.types().erasure(type
                        .asType()), code.types().erasure(above.getReturnType())));
    }
}
