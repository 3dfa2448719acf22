package dev.deftchisel.analysis.declared;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;

/**
 * How class files name types: descriptors (JVMS 4.3) and signatures (JVMS 4.7.9.1). Remembers which nested types it
 * named, since a class file lists those, and whether all that it named is there.
 */
final class TypeSignatures {

    private final Elements elements;
    private final Types types;
    private final Set<TypeElement> nested = new LinkedHashSet<>();
    private boolean isComplete = true;

    TypeSignatures(Elements elements, Types types) {
        this.elements = elements;
        this.types = types;
    }

    /** The nested types that were named, each after those around it. */
    List<TypeElement> nested() {
        return List.copyOf(nested);
    }

    /** Whether nothing was named that the compiler could not find. */
    boolean isComplete() {
        return isComplete;
    }

    /** The name of a type with slashes (JVMS 4.2.1). */
    String internalName(TypeElement type) {
        note(type);
        return elements.getBinaryName(type).toString().replace('.', '/');
    }

    private void note(TypeElement type) {
        if (type.getEnclosingElement() instanceof TypeElement outer) {
            note(outer);
            nested.add(type);
        }
    }

    String descriptor(TypeMirror type) {
        TypeMirror erased = types.erasure(type);
        return switch (erased.getKind()) {
            case ARRAY -> "[" + descriptor(((ArrayType) erased).getComponentType());
            case DECLARED -> "L" + internalName((TypeElement) ((DeclaredType) erased).asElement()) + ";";
            default -> primitive(erased.getKind());
        };
    }

    private String primitive(TypeKind kind) {
        return switch (kind) {
            case BOOLEAN -> "Z";
            case BYTE -> "B";
            case SHORT -> "S";
            case INT -> "I";
            case LONG -> "J";
            case CHAR -> "C";
            case FLOAT -> "F";
            case DOUBLE -> "D";
            case VOID, NONE -> "V";
            default -> {
                isComplete = false;
                yield "Ljava/lang/Object;";
            }
        };
    }

    /** Without what the compiler adds for an outer object. */
    String descriptor(ExecutableElement method) {
        return method.getParameters().stream().map(parameter -> descriptor(parameter.asType()))
                .collect(Collectors.joining("", "(", ")")) + descriptor(method.getReturnType());
    }

    String signature(TypeMirror type) {
        return switch (type.getKind()) {
            case ARRAY -> "[" + signature(((ArrayType) type).getComponentType());
            case DECLARED -> "L" + classSignature((DeclaredType) type) + ";";
            case TYPEVAR -> "T" + ((TypeVariable) type).asElement().getSimpleName() + ";";
            default -> primitive(type.getKind());
        };
    }

    private String classSignature(DeclaredType type) {
        TypeElement element = (TypeElement) type.asElement();
        boolean isInGeneric = type.getEnclosingType() instanceof DeclaredType outer && isGeneric(outer);
        String name = internalName(element);
        String arguments = type.getTypeArguments().isEmpty() ? "" : type.getTypeArguments().stream()
                .map(this::argument).collect(Collectors.joining("", "<", ">"));
        return (isInGeneric ? classSignature((DeclaredType) type.getEnclosingType()) + "." + element.getSimpleName()
                : name) + arguments;
    }

    private static boolean isGeneric(DeclaredType type) {
        return !type.getTypeArguments().isEmpty()
                || type.getEnclosingType() instanceof DeclaredType outer && isGeneric(outer);
    }

    private String argument(TypeMirror argument) {
        if (!(argument instanceof WildcardType wildcard)) {
            return signature(argument);
        } else if (wildcard.getExtendsBound() != null) {
            return "+" + signature(wildcard.getExtendsBound());
        }
        return wildcard.getSuperBound() != null ? "-" + signature(wildcard.getSuperBound()) : "*";
    }

    private String parameters(List<? extends TypeParameterElement> parameters) {
        return parameters.isEmpty() ? "" : parameters.stream().map(this::parameter)
                .collect(Collectors.joining("", "<", ">"));
    }

    private String parameter(TypeParameterElement parameter) {
        StringBuilder text = new StringBuilder(parameter.getSimpleName());
        for (TypeMirror bound : parameter.getBounds()) {
            boolean isInterface = bound instanceof DeclaredType type && type.asElement().getKind().isInterface();
            boolean isFirst = text.indexOf(":") < 0;
            text.append(isFirst && isInterface ? "::" : ":").append(signature(bound));
        }
        return text.toString();
    }

    /** @param superclass of an interface, too: {@code Object} */
    String signature(TypeElement type, TypeMirror superclass) {
        List<TypeMirror> above = new ArrayList<>(List.of(superclass));
        above.addAll(type.getInterfaces());
        return parameters(type.getTypeParameters()) + above.stream().map(this::signature).collect(Collectors.joining());
    }

    String signature(ExecutableElement method) {
        return parameters(method.getTypeParameters())
                + method.getParameters().stream().map(VariableElement::asType).map(this::signature)
                .collect(Collectors.joining("", "(", ")"))
                + signature(method.getReturnType())
                + method.getThrownTypes().stream().map(thrown -> "^" + signature(thrown)).collect(Collectors.joining());
    }
}
