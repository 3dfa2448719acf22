package dev.deftchisel.analysis.symbol;

import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.ElementFilter;

/** The constructor that takes the components of a record in order (JLS 8.10.4). */
public final class CanonicalConstructor {

    private CanonicalConstructor() {
    }

    /** That of a type; empty when it is no record. */
    public static Optional<ExecutableElement> of(TypeElement type) {
        return ElementFilter.constructorsIn(type.getEnclosedElements()).stream().filter(CanonicalConstructor::is)
                .findFirst();
    }

    /** Whether a method or constructor is one. */
    public static boolean is(ExecutableElement method) {
        return method.getKind() == ElementKind.CONSTRUCTOR && method.getEnclosingElement() instanceof TypeElement record
                && record.getKind() == ElementKind.RECORD
                && types(method.getParameters()).equals(types(record.getRecordComponents()));
    }

    private static List<String> types(List<? extends Element> elements) {
        return elements.stream().map(one -> NamedTypes.shown(one.asType())).toList();
    }
}
