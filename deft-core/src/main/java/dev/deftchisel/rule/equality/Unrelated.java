package dev.deftchisel.rule.equality;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Supertypes;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** Types of which no object can be both (JLS 5.1.6.1). */
final class Unrelated {

    private Unrelated() {
    }

    static boolean are(TypeMirror one, TypeMirror other, AttributedFile code) {
        TypeMirror left = code.types().erasure(code.boxed(one));
        TypeMirror right = code.types().erasure(code.boxed(other));
        if (!isPlain(one) || !isPlain(code.boxed(other)) || code.isKind(left, right) || code.isKind(right, left)
                || haveContract(left, right, code)) {
            return false;
        }
        Element first = ((DeclaredType) left).asElement();
        Element second = ((DeclaredType) right).asElement();
        boolean areClasses = !first.getKind().isInterface() && !second.getKind().isInterface();
        // of a class that is not final a subclass may implement the interface
        return areClasses || isFinal(first) || isFinal(second);
    }

    /** Whether an interface above both says itself when two of its kind are equal, as that of lists does. */
    private static boolean haveContract(TypeMirror left, TypeMirror right, AttributedFile code) {
        return Stream.concat(Stream.of((TypeElement) ((DeclaredType) left).asElement()),
                Supertypes.of((TypeElement) ((DeclaredType) left).asElement(), code.types()).stream())
                .filter(type -> type.getKind().isInterface() && !NamedTypes.is(type.asType(), "java.util.Collection")
                        && code.isKind(right, type.asType()))
                .anyMatch(type -> ElementFilter.methodsIn(type.getEnclosedElements()).stream()
                        .anyMatch(method -> method.getSimpleName().contentEquals("equals") && method.getParameters()
                                .size() == 1));
    }

    private static boolean isPlain(TypeMirror type) {
        return type instanceof DeclaredType && type.getKind() == TypeKind.DECLARED;
    }

    private static boolean isFinal(Element type) {
        return type.getModifiers().contains(Modifier.FINAL);
    }

    /** The simple name of a type. */
    static String name(TypeMirror type, AttributedFile code) {
        TypeElement element = (TypeElement) ((DeclaredType) code.types().erasure(code.boxed(type))).asElement();
        if (element.getSimpleName().length() > 0) {
            return element.getSimpleName().toString();
        }
        return "class without a name, a kind of "
                + name(element.getInterfaces().isEmpty() ? element.getSuperclass() : element.getInterfaces()
                        .get(0), code);
    }
}
