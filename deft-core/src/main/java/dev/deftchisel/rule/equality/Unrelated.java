package dev.deftchisel.rule.equality;

import dev.deftchisel.analysis.Code;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Types of which no object can be both (JLS 5.1.6.1). */
final class Unrelated {

    private Unrelated() {
    }

    static boolean are(TypeMirror one, TypeMirror other, Code code) {
        TypeMirror left = code.types().erasure(code.boxed(one));
        TypeMirror right = code.types().erasure(code.boxed(other));
        if (!isPlain(one) || !isPlain(code.boxed(other)) || code.isKind(left, right) || code.isKind(right, left)) {
            return false;
        }
        Element first = ((DeclaredType) left).asElement();
        Element second = ((DeclaredType) right).asElement();
        boolean areClasses = !first.getKind().isInterface() && !second.getKind().isInterface();
        // of a class that is not final a subclass may implement the interface
        return areClasses || isFinal(first) || isFinal(second);
    }

    private static boolean isPlain(TypeMirror type) {
        return type instanceof DeclaredType && type.getKind() == TypeKind.DECLARED;
    }

    private static boolean isFinal(Element type) {
        return type.getModifiers().contains(Modifier.FINAL);
    }

    /** The simple name of a type. */
    static String name(TypeMirror type, Code code) {
        TypeElement element = (TypeElement) ((DeclaredType) code.types().erasure(code.boxed(type))).asElement();
        return element.getSimpleName().length() > 0 ? element.getSimpleName().toString()
                : "class without a name, a kind of " + name(element.getInterfaces().isEmpty() ? element.getSuperclass() : element.getInterfaces().get(0),
                        code);
    }
}
