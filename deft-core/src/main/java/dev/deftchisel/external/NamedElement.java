package dev.deftchisel.external;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import javax.lang.model.element.AnnotationMirror;
import javax.lang.model.element.AnnotationValue;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeKind;

/**
 * A declaration as frameworks look at it: by annotations, and as a property in the sense of JavaBeans.
 *
 * @param element what is declared
 */
public record NamedElement(Element element) {

    /** Its own name. */
    public String name() {
        return element.getSimpleName().toString();
    }

    /** The type that declares a member. */
    public Optional<TypeElement> owner() {
        return Optional.ofNullable(element.getEnclosingElement()).filter(TypeElement.class::isInstance)
                .map(TypeElement.class::cast);
    }

    /**
     * The property that an instance field, a component of a record or an accessor stands for (JavaBeans 1.01, 8.3 and
     * 8.8); empty for anything else.
     */
    public Optional<String> property() {
        if (element.getModifiers().contains(Modifier.STATIC)) {
            return Optional.empty();
        }
        if (element.getKind() == ElementKind.FIELD || element.getKind() == ElementKind.RECORD_COMPONENT) {
            return element.getModifiers().contains(Modifier.TRANSIENT) ? Optional.empty() : Optional.of(name());
        }
        return element instanceof ExecutableElement method && method.getKind() == ElementKind.METHOD
                ? propertyOf(method) : Optional.empty();
    }

    private static Optional<String> propertyOf(ExecutableElement method) {
        String name = method.getSimpleName().toString();
        boolean isVoid = method.getReturnType().getKind() == TypeKind.VOID;
        boolean isComponent = method.getEnclosingElement().getKind() == ElementKind.RECORD && method.getParameters()
                .isEmpty()
                && method.getEnclosingElement().getEnclosedElements().stream()
                .anyMatch(one -> one.getKind() == ElementKind.RECORD_COMPONENT && one.getSimpleName()
                        .contentEquals(name));
        if (isComponent) {
            return Optional.of(name);
        }
        int prefix;
        if (name.matches("get\\P{Ll}.*") && method.getParameters().isEmpty() && !isVoid) {
            prefix = 3;
        } else if (name.matches("is\\P{Ll}.*") && method.getParameters().isEmpty() && !isVoid) {
            prefix = 2;
        } else if (name.matches("set\\P{Ll}.*") && method.getParameters().size() == 1) {
            prefix = 3;
        } else {
            prefix = 0;
        }
        return prefix == 0 ? Optional.empty() : Optional.of(decapitalised(name.substring(prefix)));
    }

    /** As a property is called whose name begins a word elsewhere: {@code URL} stays as it is (JavaBeans 1.01, 8.8). */
    public static String decapitalised(String name) {
        return name.length() > 1 && Character.isUpperCase(name.charAt(0)) && Character.isUpperCase(name.charAt(1))
                ? name
                : Character.toLowerCase(name.charAt(0)) + name.substring(1);
    }

    /** The members of the same type that stand for the same property, this one among them. */
    public List<Element> siblings() {
        Optional<String> property = property();
        return property.isEmpty() ? List.of(element) : owner().stream()
                .flatMap(type -> type.getEnclosedElements().stream())
                .filter(other -> new NamedElement(other).property().equals(property)).map(Element.class::cast).toList();
    }

    /** Whether a property is read or written by a method. */
    public boolean hasAccessor() {
        return siblings().stream().anyMatch(ExecutableElement.class::isInstance);
    }

    /** Whether it has one of some annotations. */
    public boolean has(Set<String> annotations) {
        return has(element, annotations::contains);
    }

    static boolean has(Element element, Predicate<String> wanted) {
        return element.getAnnotationMirrors().stream().map(NamedElement::nameOf).anyMatch(wanted);
    }

    /** Whether an annotation of a kind stands at the type that declares it, or at any member of that. */
    public boolean isInTypeWith(Predicate<String> wanted) {
        return owner().stream().flatMap(type -> Stream.concat(Stream.of(type), type.getEnclosedElements().stream()))
                .flatMap(one -> one instanceof ExecutableElement method
                        ? Stream.concat(Stream.of(one), method.getParameters().stream())
                        : Stream.of(one))
                .anyMatch(one -> has(one, wanted));
    }

    /** Whether an annotation gives one of its elements a text that is not empty. */
    static boolean says(Element element, Set<String> annotations, Set<String> attributes) {
        return element.getAnnotationMirrors().stream().filter(one -> annotations.contains(nameOf(one)))
                .flatMap(one -> one.getElementValues().entrySet().stream())
                .filter(entry -> attributes.contains(entry.getKey().getSimpleName().toString()))
                .map(entry -> entry.getValue()).map(AnnotationValue::getValue)
                .anyMatch(value -> !value.toString().isEmpty());
    }

    static String nameOf(AnnotationMirror annotation) {
        return ((TypeElement) annotation.getAnnotationType().asElement()).getQualifiedName().toString();
    }
}
