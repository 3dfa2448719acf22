package dev.deftchisel.inline.call;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;
import javax.lang.model.util.Types;

/**
 * What the type parameters of a method, and of its class, stand for in a call: read off the types that they have become
 * in the method's signature (JLS 18.5) and in the type of the object that is called on.
 */
final class CallTypeArguments {

    private final Map<Element, TypeMirror> found = new HashMap<>();

    /**
     * @param method as it is declared
     * @param called its type in the call, with the type arguments of that
     * @param object the type of the object; empty where there is none, or it is the same
     */
    CallTypeArguments(ExecutableElement method, Optional<ExecutableType> called, Optional<TypeMirror> object) {
        called.ifPresent(type -> {
            for (int i = 0; i < method.getParameters().size(); i++) {
                match(method.getParameters().get(i).asType(), type.getParameterTypes().get(i));
            }
            match(method.getReturnType(), type.getReturnType());
        });
        object.ifPresent(type -> match(method.getEnclosingElement().asType(), type));
    }

    /** What a type parameter stands for; empty where that cannot be told, or it is the parameter itself. */
    Optional<TypeMirror> of(Element parameter) {
        return Optional.ofNullable(found.get(parameter))
                .filter(type -> !(type instanceof TypeVariable variable && variable.asElement().equals(parameter)));
    }

    /** Whether a type in the method is just another type in the call. */
    boolean areSame(TypeMirror declared, TypeMirror actual, Types types) {
        if (declared instanceof TypeVariable variable) {
            return types.isSameType(of(variable.asElement()).orElse(variable), actual);
        } else if (declared instanceof ArrayType array && actual instanceof ArrayType other) {
            return areSame(array.getComponentType(), other.getComponentType(), types);
        } else if (declared instanceof DeclaredType type && actual instanceof DeclaredType other
                && type.asElement().equals(other.asElement()) && type.getTypeArguments()
                .size() == other.getTypeArguments().size()) {
            return IntStream.range(0, type.getTypeArguments().size())
                    .allMatch(i -> areSame(type.getTypeArguments().get(i), other.getTypeArguments().get(i), types));
        }
        return types.isSameType(declared, actual);
    }

    private void match(TypeMirror declared, TypeMirror actual) {
        if (declared instanceof TypeVariable variable) {
            found.putIfAbsent(variable.asElement(), actual);
        } else if (declared instanceof ArrayType array && actual instanceof ArrayType other) {
            match(array.getComponentType(), other.getComponentType());
        } else if (declared instanceof DeclaredType type && actual instanceof DeclaredType other
                && type.asElement().equals(other.asElement()) && type.getTypeArguments()
                .size() == other.getTypeArguments().size()) {
            for (int i = 0; i < type.getTypeArguments().size(); i++) {
                match(type.getTypeArguments().get(i), other.getTypeArguments().get(i));
            }
        } else if (declared instanceof WildcardType wildcard && actual instanceof WildcardType other) {
            bound(wildcard.getExtendsBound(), other.getExtendsBound());
            bound(wildcard.getSuperBound(), other.getSuperBound());
        }
    }

    private void bound(TypeMirror declared, TypeMirror actual) {
        if (declared != null && actual != null) {
            match(declared, actual);
        }
    }
}
