package dev.deftchisel.external;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;

/**
 * A framework that knows what has one of its annotations by the name in the annotation, or where that says none by the
 * declaration's own.
 *
 * @param what        the declaration is to it
 * @param annotations of it, of which some say the name in {@code value}, some in {@code name}
 * @param attribute   the element in which to say it
 */
record AnnotatedNames(String what, Set<String> annotations, String attribute) implements ExternalNames {

    @Override
    public List<ExternalName> of(NamedElement declared) {
        Optional<String> annotation = declared.element().getAnnotationMirrors().stream().map(NamedElement::nameOf)
                .filter(annotations::contains).findFirst();
        if (annotation.isEmpty() || NamedElement.says(declared.element(), annotations, Set.of("value", "name"))) {
            return List.of();
        }
        String own = declared.property().filter(property -> !declared.element().getKind().isField())
                .orElse(declared.name());
        String name = declared.element() instanceof TypeElement && attribute.equals("value")
                ? NamedElement.decapitalised(own) : own;
        return List.of(new ExternalName(name, what,
                Optional.of(new ExternalName.Keeper(annotation.get(), attribute, true))));
    }
}
