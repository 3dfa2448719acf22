package dev.deftchisel.analysis.symbol;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Finds what is above a type and not known, mostly since its library is missing: any member may come from there. */
public final class UnknownSupertypes {

    private UnknownSupertypes() {
    }

    /** The name of the first class or interface above a type of which nothing is known. */
    public static Optional<String> first(TypeElement type) {
        return first(type, new HashSet<>());
    }

    private static Optional<String> first(TypeElement type, Set<TypeElement> seen) {
        if (!seen.add(type)) {
            return Optional.empty();
        }
        List<TypeMirror> above = new ArrayList<>(type.getInterfaces());
        above.add(0, type.getSuperclass());
        for (TypeMirror one : above) {
            if (one.getKind() == TypeKind.ERROR) {
                return Optional.of(NamedTypes.shown(one));
            }
            Optional<String> higher = one instanceof DeclaredType declared
                    && declared.asElement() instanceof TypeElement element
                    ? first(element, seen) : Optional.empty();
            if (higher.isPresent()) {
                return higher;
            }
        }
        return Optional.empty();
    }
}
