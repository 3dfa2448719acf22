package dev.deftchisel.declare.inference;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;

/**
 * What the type parameters of a method stand for in a call, as far as some of its arguments and its result tell (JLS
 * 18, in the small).
 */
final class TypeInference {

    private final AttributedFile code;
    private final Map<TypeVariable, TypeMirror> told = new HashMap<>();
    /** Type parameters of which a target says just what they are (JLS 18.5.2). */
    private final Set<TypeMirror> fixed = new HashSet<>();

    TypeInference(AttributedFile code) {
        this.code = code;
    }

    /** Takes note of a value of one type where the other is declared. */
    void tell(TypeMirror formal, TypeMirror actual) {
        if (formal instanceof TypeVariable variable) {
            if (actual.getKind() != TypeKind.NULL && actual.getKind() != TypeKind.ERROR
                    && actual.getKind() != TypeKind.VOID) {
                told.merge(variable, code.boxed(actual), (before, now) -> fixed.contains(variable) ? before
                        : common(before, now));
            }
        } else if (formal instanceof ArrayType array && actual instanceof ArrayType other) {
            tell(array.getComponentType(), other.getComponentType());
        } else if (formal instanceof WildcardType wildcard) {
            bound(wildcard)
                    .ifPresent(bound -> tell(bound, actual instanceof WildcardType open ? bound(open).orElse(actual)
                            : actual));
        } else if (formal instanceof DeclaredType declared && !declared.getTypeArguments().isEmpty()) {
            above(actual, declared).ifPresent(same -> {
                for (int i = 0; i < same.getTypeArguments().size(); i++) {
                    tell(declared.getTypeArguments().get(i), same.getTypeArguments().get(i));
                }
            });
        }
    }

    /** What takes values of two types. */
    private TypeMirror common(TypeMirror before, TypeMirror now) {
        if (code.types().isAssignable(now, before)) {
            return before;
        }
        CommonSupertype general = new CommonSupertype(code);
        TypeMirror common = general.of(List.of(before, now));
        return general.takes(common, before) && general.takes(common, now) ? common
                : code.object();
    }

    /** Takes note of where a value of the first type is wanted as one of the other, which may be above it. */
    void expect(TypeMirror formal, TypeMirror wanted) {
        if (formal instanceof DeclaredType && wanted instanceof DeclaredType above) {
            above(formal, above).ifPresent(same -> {
                for (int i = 0; i < Math.min(same.getTypeArguments().size(), above.getTypeArguments().size()); i++) {
                    TypeMirror argument = above.getTypeArguments().get(i);
                    Optional<TypeMirror> told = argument instanceof WildcardType open ? bound(open)
                            : Optional.of(argument);
                    TypeMirror parameter = same.getTypeArguments().get(i);
                    told.ifPresent(type -> tell(parameter, type));
                    Optional.of(parameter).filter(TypeVariable.class::isInstance).ifPresent(fixed::add);
                }
            });
        } else {
            tell(formal, wanted);
        }
    }

    /** What is said of an argument that is left open, above or below (JLS 4.5.1). */
    static Optional<TypeMirror> bound(WildcardType wildcard) {
        return Optional.ofNullable(wildcard.getExtendsBound()).or(() -> Optional.ofNullable(wildcard.getSuperBound()));
    }

    /** A type as one of the same class as another one. */
    Optional<DeclaredType> above(TypeMirror type, DeclaredType wanted) {
        return Supertypes.as(type, wanted.asElement(), code.types())
                .filter(found -> !found.getTypeArguments().isEmpty());
    }

    /** A type with what is told put in. */
    TypeMirror fill(TypeMirror type) {
        if (type instanceof TypeVariable variable) {
            return told.getOrDefault(variable, type);
        } else if (type instanceof ArrayType array) {
            return code.types().getArrayType(fill(array.getComponentType()));
        } else if (type instanceof WildcardType wildcard) {
            return code.types().getWildcardType(bound(wildcard.getExtendsBound()), bound(wildcard.getSuperBound()));
        } else if (type instanceof DeclaredType declared && !declared.getTypeArguments().isEmpty()) {
            List<TypeMirror> arguments = declared.getTypeArguments().stream().map(argument -> fill(argument)).toList();
            return code.types().getDeclaredType((TypeElement) declared.asElement(),
                    arguments.toArray(TypeMirror[]::new));
        }
        return type;
    }

    /** A bound of a wildcard must not be a wildcard itself; none stays none. */
    private TypeMirror bound(TypeMirror bound) {
        if (bound == null) {
            return null;
        }
        TypeMirror filled = fill(bound);
        return filled instanceof WildcardType open ? Optional.ofNullable(open.getExtendsBound()).orElse(bound) : filled;
    }
}
