package dev.deftchisel.declare;

import dev.deftchisel.analysis.Code;
import dev.deftchisel.rewrite.TypeWriter;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;

/** Type arguments that the compiler put in for wildcards (JLS 5.1.10). */
final class Captured {

    private Captured() {
    }

    /** The type with its wildcards again, as it can be declared (JLS 4.10.5). */
    static TypeMirror released(Code code, TypeMirror type) {
        return !(type instanceof DeclaredType declared) || declared.getTypeArguments().isEmpty() ? type
                : code.types().getDeclaredType((TypeElement) declared.asElement(),
                        declared.getTypeArguments().stream().map(argument -> argument(code, argument)).toArray(TypeMirror[]::new));
    }

    private static TypeMirror argument(Code code, TypeMirror type) {
        if (!(type instanceof TypeVariable variable) || !TypeWriter.isCaptured(variable)) {
            return released(code, type);
        }
        boolean isBelow = variable.getLowerBound().getKind() != TypeKind.NULL;
        boolean isAnything = variable.getUpperBound().toString().equals("java.lang.Object");
        return isBelow ? code.types().getWildcardType(null, released(code, variable.getLowerBound()))
                : code.types().getWildcardType(isAnything ? null : released(code, variable.getUpperBound()), null);
    }
}
