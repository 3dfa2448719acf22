package dev.deftchisel.declare.inference;

import dev.deftchisel.analysis.code.AttributedFile;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.WildcardType;

/**
 * How a place sees a generic type: with what stands there for its type parameters (JLS 4.5). What is declared in the
 * type as {@code T} is a {@code Vessel} for a {@code Queue<Vessel>}.
 */
public final class TypeSubstitution {

    private final AttributedFile code;
    private final List<? extends TypeMirror> parameters;
    private final List<? extends TypeMirror> arguments;

    private TypeSubstitution(AttributedFile code, List<? extends TypeMirror> parameters,
            List<? extends TypeMirror> arguments) {
        this.code = code;
        this.parameters = parameters;
        this.arguments = arguments;
    }

    /** How a use of a member sees the type that must declare it. */
    static TypeSubstitution of(UnresolvedName use, TypeElement owner) {
        Optional<TypeMirror> object = use.isOfType() ? Optional.empty() : use.object().flatMap(use.code()::type)
                .or(() -> use.object().isPresent() ? Optional.empty() : use.code().enclosingType(use.path())
                        .map(TypeElement::asType));
        return of(use.code(), owner, object);
    }

    /** How each of some uses sees the type that the first is to be declared in. */
    public static List<TypeSubstitution> all(List<UnresolvedName> uses) {
        Optional<TypeElement> owner = uses.get(0).owner();
        return uses.stream()
                .map(use -> owner.map(type -> of(use, type))
                        .orElseGet(() -> new TypeSubstitution(use.code(), List.of(), List.of())))
                .toList();
    }

    /** How a class below sees a type. */
    public static TypeSubstitution of(AttributedFile code, TypeElement owner, TypeElement below) {
        return of(code, owner, Optional.of(below.asType()));
    }

    private static TypeSubstitution of(AttributedFile code, TypeElement owner, Optional<TypeMirror> type) {
        DeclaredType declared = (DeclaredType) owner.asType();
        Optional<DeclaredType> seen = type.flatMap(one -> new TypeInference(code).above(one, declared));
        return new TypeSubstitution(code, seen.isPresent() ? declared.getTypeArguments() : List.of(),
                seen.<List<? extends TypeMirror>>map(DeclaredType::getTypeArguments).orElse(List.of()));
    }

    /** Whether all is seen as it is declared. */
    public boolean isPlain() {
        return IntStream.range(0, parameters.size())
                .allMatch(i -> code.types().isSameType(parameters.get(i), arguments.get(i)));
    }

    /** What is declared, as it is seen. */
    public TypeMirror seen(TypeMirror type) {
        TypeInference inference = new TypeInference(code);
        for (int i = 0; i < parameters.size(); i++) {
            inference.tell(parameters.get(i), arguments.get(i));
        }
        return inference.fill(type);
    }

    /** What is seen, as it may be declared: with a type parameter for all that stands for just this one. */
    public TypeMirror declared(TypeMirror type) {
        TypeMirror same = code.boxed(type);
        int[] standing = IntStream.range(0, arguments.size())
                .filter(index -> code.types().isSameType(arguments.get(index), same)).toArray();
        if (standing.length == 1) {
            return parameters.get(standing[0]);
        } else if (type instanceof ArrayType array) {
            TypeMirror component = array.getComponentType();
            return component.getKind().isPrimitive() ? type : code.types().getArrayType(declared(component));
        } else if (type instanceof DeclaredType generic && !generic.getTypeArguments().isEmpty()) {
            return code.types().getDeclaredType((TypeElement) generic.asElement(),
                    generic.getTypeArguments().stream().map(this::argument).toArray(TypeMirror[]::new));
        }
        return type;
    }

    private TypeMirror argument(TypeMirror type) {
        if (!(type instanceof WildcardType wildcard)) {
            return declared(type);
        }
        if (wildcard.getExtendsBound() != null) {
            return code.types().getWildcardType(declared(wildcard.getExtendsBound()), null);
        }
        return wildcard.getSuperBound() != null ? code.types().getWildcardType(null, declared(wildcard.getSuperBound()))
                : type;
    }
}
