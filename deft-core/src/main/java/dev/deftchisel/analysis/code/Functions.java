package dev.deftchisel.analysis.code;

import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.WildcardType;
import javax.lang.model.util.ElementFilter;

/** Functional interfaces (JLS 9.8). */
public final class Functions {

    private Functions() {
    }

    /**
     * The one method of a functional interface that has no body, with type arguments put in; empty for every other
     * type.
     */
    public static Optional<ExecutableType> of(AttributedFile code, TypeMirror type) {
        if (!(type instanceof DeclaredType declared) || declared.asElement().getKind() != ElementKind.INTERFACE) {
            return Optional.empty();
        }
        TypeElement element = (TypeElement) declared.asElement();
        List<ExecutableElement> methods = ElementFilter.methodsIn(code.elements().getAllMembers(element)).stream()
                .filter(method -> method.getModifiers().contains(Modifier.ABSTRACT) && !isOfObject(code, method))
                .toList();
        return methods.size() != 1 ? Optional.empty()
                : Optional.of((ExecutableType) code.types()
                        .asMemberOf(withoutWildcards(code, declared, element), methods.get(0)));
    }

    private static boolean isOfObject(AttributedFile code, ExecutableElement method) {
        return ElementFilter.methodsIn(code.elements().getTypeElement("java.lang.Object").getEnclosedElements())
                .stream()
                .anyMatch(one -> one.getModifiers().contains(Modifier.PUBLIC) && one.getSimpleName()
                        .equals(method.getSimpleName())
                        && one.getParameters().size() == method.getParameters().size());
    }

    /** The type whose function a wildcard-parameterized one has (JLS 9.9). */
    private static DeclaredType withoutWildcards(AttributedFile code, DeclaredType type, TypeElement element) {
        List<? extends TypeParameterElement> parameters = element.getTypeParameters();
        TypeMirror[] arguments = new TypeMirror[type.getTypeArguments().size()];
        for (int i = 0; i < arguments.length; i++) {
            TypeMirror argument = type.getTypeArguments().get(i);
            arguments[i] = !(argument instanceof WildcardType wildcard) ? argument
                    : wildcard.getSuperBound() != null ? wildcard.getSuperBound()
                    : wildcard.getExtendsBound() != null ? wildcard.getExtendsBound() : parameters.get(i).getBounds()
                    .get(0);
        }
        return arguments.length == 0 ? type : code.types().getDeclaredType(element, arguments);
    }
}
