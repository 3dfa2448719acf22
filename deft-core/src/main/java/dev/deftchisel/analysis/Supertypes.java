package dev.deftchisel.analysis;

import java.util.ArrayList;
import java.util.List;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;
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
}
