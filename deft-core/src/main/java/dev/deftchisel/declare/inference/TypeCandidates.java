package dev.deftchisel.declare.inference;

import dev.deftchisel.analysis.code.AttributedFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/** The types that a value may be of, the likeliest first. */
final class TypeCandidates {

    private final AttributedFile code;
    private final List<UnresolvedName> uses;

    TypeCandidates(List<UnresolvedName> uses) {
        this.code = uses.get(0).code();
        this.uses = uses;
    }

    /**
     * First what all values have in common that it is given, then these, what each use takes, and the same in the terms
     * of the type that is to have it. Last comes what can only be a guess.
     *
     * @param given by use
     * @param taken by each use, in order
     * @param views how each use sees the type that is to have it
     */
    List<TypeMirror> all(Map<UnresolvedName, TypeMirror> given, List<List<TypeMirror>> taken,
            List<TypeSubstitution> views) {
        List<TypeMirror> values = given.values().stream().filter(type -> !isRaw(type)).toList();
        List<TypeMirror> all = new ArrayList<>(values.isEmpty() ? List.of()
                : List.of(new CommonSupertype(code).of(values)));
        all.addAll(values);
        taken.forEach(all::addAll);
        for (int i = 0; i < uses.size(); i++) {
            Stream.concat(Stream.ofNullable(given.get(uses.get(i))), taken.get(i).stream())
                    .map(views.get(i)::declared).forEach(all::add);
        }
        given.values().stream().filter(this::isRaw).map(this::ofAnything).forEach(all::add);
        all.addAll(all.stream().filter(type -> type.getKind().isPrimitive()).map(code::boxed).toList());
        all.sort(Comparator.comparing(this::isForeign));
        return all;
    }

    /** Whether a type names a type parameter of a class that is not around the declaration. */
    private boolean isForeign(TypeMirror type) {
        return uses.get(0).owner().filter(owner -> UseTypes.namesVariable(type, variable ->
                variable.asElement() instanceof TypeParameterElement parameter
                        && parameter.getGenericElement() instanceof TypeElement known
                        && !UseTypes.isWithin(owner, known))).isPresent();
    }

    /** Whether a type has parameters that nothing is said of, as of an object that was made with a diamond. */
    private boolean isRaw(TypeMirror type) {
        return type instanceof DeclaredType declared && declared.getTypeArguments().isEmpty()
                && !((TypeElement) declared.asElement()).getTypeParameters().isEmpty();
    }

    private TypeMirror ofAnything(TypeMirror raw) {
        TypeElement type = (TypeElement) ((DeclaredType) raw).asElement();
        return code.types().getDeclaredType(type, type.getTypeParameters().stream().map(any -> code.object())
                .toArray(TypeMirror[]::new));
    }
}
