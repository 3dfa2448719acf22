package dev.deftchisel.analysis.symbol;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;

/** The types above a type (JLS 4.10.2). */
public final class Supertypes {

    private Supertypes() {
    }

    /** All of them, each once, the nearer ones first and the superclass before interfaces. */
    public static List<TypeElement> of(TypeElement type, Types types) {
        List<TypeElement> found = new ArrayList<>();
        List<TypeMirror> open = new ArrayList<>(List.of(type.asType()));
        for (int i = 0; i < open.size(); i++) {
            for (TypeMirror above : types.directSupertypes(open.get(i))) {
                if (types.asElement(above) instanceof TypeElement element && !found.contains(element)) {
                    found.add(element);
                    open.add(above);
                }
            }
        }
        return List.copyOf(found);
    }

    /** The methods above that one overrides in the type that declares it (JLS 8.4.8.1), the nearer ones first. */
    public static List<ExecutableElement> overridden(ExecutableElement method, Elements elements, Types types) {
        TypeElement owner = (TypeElement) method.getEnclosingElement();
        return of(owner, types).stream()
                .flatMap(above -> ElementFilter.methodsIn(above.getEnclosedElements()).stream())
                .filter(above -> above.getSimpleName().equals(method.getSimpleName())
                        && elements.overrides(method, above, owner))
                .toList();
    }

    /** A type as one of a class or interface that is the same or above it, with the arguments that it passes up. */
    public static Optional<DeclaredType> as(TypeMirror type, Element wanted, Types types) {
        if (!(type instanceof DeclaredType declared) || type.getKind() == TypeKind.ERROR) {
            return Optional.empty();
        }
        return declared.asElement().equals(wanted) ? Optional.of(declared)
                : types.directSupertypes(type).stream().flatMap(above -> as(above, wanted, types).stream()).findFirst();
    }
}
