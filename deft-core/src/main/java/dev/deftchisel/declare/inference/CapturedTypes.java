package dev.deftchisel.declare.inference;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.List;
import java.util.stream.Stream;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;

/** Type arguments that the compiler put in for wildcards (JLS 5.1.10). */
final class CapturedTypes {

    private CapturedTypes() {
    }

    /** The type with its wildcards again, as it can be declared (JLS 4.10.5). */
    static TypeMirror released(AttributedFile code, TypeMirror type) {
        return released(code, type, List.of());
    }

    /** @param open those whose bounds are being released, which may come back to them */
    private static TypeMirror released(AttributedFile code, TypeMirror type, List<TypeMirror> open) {
        return !(type instanceof DeclaredType declared) || declared.getTypeArguments().isEmpty() ? type
                : code.types().getDeclaredType((TypeElement) declared.asElement(),
                        declared.getTypeArguments().stream().map(argument -> argument(code, argument, open))
                        .toArray(TypeMirror[]::new));
    }

    private static TypeMirror argument(AttributedFile code, TypeMirror type, List<TypeMirror> open) {
        if (!(type instanceof TypeVariable variable) || !TypeWriter.isCaptured(variable)) {
            return released(code, type, open);
        }
        List<TypeMirror> inner = Stream.concat(open.stream(), Stream.of(variable)).toList();
        if (variable.getLowerBound().getKind() != TypeKind.NULL) {
            return code.types().getWildcardType(null, released(code, variable.getLowerBound(), inner));
        }
        TypeMirror above = variable.getUpperBound();
        // a bound that names what it bounds is that of the class, which need not be said: Enum<?>
        boolean isSaid = !NamedTypes.is(above, "java.lang.Object")
                && inner.stream().noneMatch(one -> UseTypes.mentions(above, one::equals));
        return code.types().getWildcardType(isSaid ? released(code, above, inner) : null, null);
    }
}
