package dev.deftchisel.member;

import java.util.List;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * A piece of an object's state: a field that is not static, or a component of a record.
 *
 * @param element  the field
 * @param hasValue whether it gets a value where it is declared
 */
public record StateField(VariableElement element, boolean hasValue) {

    /** Annotations by which people say that something is never {@code null}, by their simple names. */
    private static final List<String> NEVER_NULL = List.of("NonNull", "Nonnull", "NotNull");

    public String name() {
        return element.getSimpleName().toString();
    }

    public TypeMirror type() {
        return element.asType();
    }

    public boolean isFinal() {
        return element.getModifiers().contains(Modifier.FINAL);
    }

    /** Whether a constructor must give it a value (JLS 8.3.1.2). */
    public boolean mustBeSet() {
        return isFinal() && !hasValue;
    }

    /** Whether a constructor or method may give it a value. */
    public boolean maySet() {
        return !isFinal() || !hasValue;
    }

    public boolean isPrimitive() {
        return type().getKind().isPrimitive();
    }

    public boolean isArray() {
        return type().getKind() == TypeKind.ARRAY;
    }

    public boolean isArrayOfArrays() {
        return type() instanceof ArrayType array && array.getComponentType().getKind() == TypeKind.ARRAY;
    }

    public boolean isEnum() {
        return type() instanceof DeclaredType declared && declared.asElement().getKind() == ElementKind.ENUM;
    }

    /** Whether it is declared as never {@code null}. */
    public boolean isNeverNull() {
        return element.getAnnotationMirrors().stream().map(annotation -> annotation.getAnnotationType().asElement())
                .map(Element::getSimpleName).anyMatch(name -> NEVER_NULL.contains(name.toString()))
                || type().getAnnotationMirrors().stream().map(annotation -> annotation.getAnnotationType().asElement())
                .map(Element::getSimpleName).anyMatch(name -> NEVER_NULL.contains(name.toString()));
    }

    /** The name with a capital, as in the names of accessors (JavaBeans 8.8: {@code uRL} becomes {@code getuRL}). */
    public String capitalized() {
        String name = name();
        boolean staysSmall = name.length() > 1 && Character.isUpperCase(name.charAt(1));
        return staysSmall ? name : Character.toUpperCase(name.charAt(0)) + name.substring(1);
    }
}
