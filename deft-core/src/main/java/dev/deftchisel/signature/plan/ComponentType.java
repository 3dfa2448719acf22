package dev.deftchisel.signature.plan;

import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;

/** The type of a parameter that becomes a component of a record elsewhere. */
public final class ComponentType {

    private ComponentType() {
    }

    /** Why a record in another file of the package could not name a type; empty when it can. */
    public static Optional<String> objection(TypeMirror type) {
        if (type instanceof TypeVariable) {
            return Optional.of("has a type parameter, which a record elsewhere does not know");
        } else if (type instanceof ArrayType array) {
            return objection(array.getComponentType());
        } else if (type instanceof WildcardType wildcard) {
            return Stream.of(wildcard.getExtendsBound(), wildcard.getSuperBound()).filter(Objects::nonNull)
                    .flatMap(bound -> objection(bound).stream()).findFirst();
        } else if (type instanceof DeclaredType declared) {
            return isPrivate(declared.asElement())
                    ? Optional.of("is private, so that a record elsewhere cannot name it")
                    : declared.getTypeArguments().stream().flatMap(argument -> objection(argument).stream())
                            .findFirst();
        }
        return Optional.empty();
    }

    private static boolean isPrivate(Element element) {
        return element instanceof TypeElement && (element.getModifiers().contains(Modifier.PRIVATE)
                || isPrivate(element.getEnclosingElement()));
    }
}
