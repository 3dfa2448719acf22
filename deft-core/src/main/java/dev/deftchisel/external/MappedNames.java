package dev.deftchisel.external;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;

/**
 * A framework that stores or sends objects property by property, under the names of these.
 *
 * @param what       a property is to it
 * @param marks      annotations at a type, or at a member of it, by which it is known to be mapped; a trailing dot
 *                   stands for a package
 * @param access     what it reads
 * @param annotation by which a property, or a constant of an enum, is given another name
 * @param attribute  of that
 * @param ignored    annotations of members that are not mapped, or not by one name
 */
record MappedNames(String what, Set<String> marks, Access access, Optional<String> annotation, String attribute,
        Set<String> ignored)
        implements ExternalNames {

    /** What a framework reads. */
    enum Access {
        /** Accessors, and fields that are annotated or public. */
        BEANS,
        /** Fields. */
        FIELDS,
        /** Fields or accessors, whichever have annotations that say what identifies an object. */
        LIKE_IDENTITY,
        /** Constants of enums. */
        CONSTANTS
    }

    private static final Set<String> IDENTITY = Set.of("Id", "EmbeddedId");

    @Override
    public List<ExternalName> of(NamedElement declared) {
        boolean isConstant = declared.element().getKind() == ElementKind.ENUM_CONSTANT;
        Optional<String> name = access == Access.CONSTANTS ? Optional.of(declared.name()).filter(any -> isConstant)
                : declared.property();
        if (name.isEmpty() || !declared.isInTypeWith(this::isMark) || !isMapped(declared) || isSaid(declared)) {
            return List.of();
        }
        return List.of(new ExternalName(name.get(), what, annotation.map(one ->
                new ExternalName.Keeper(one, attribute, declared.has(Set.of(one))))));
    }

    private boolean isMark(String annotation) {
        return marks.stream().anyMatch(mark -> mark.endsWith(".") ? annotation.startsWith(mark)
                : annotation.equals(mark));
    }

    /** Whether another name is written somewhere, or none is wanted. */
    private boolean isSaid(NamedElement declared) {
        Set<String> named = annotation.map(Set::of).orElse(Set.of());
        return declared.siblings().stream().anyMatch(one -> NamedElement.says(one, named, Set.of(attribute))
                || NamedElement.has(one, ignored::contains));
    }

    private boolean isMapped(NamedElement declared) {
        Element element = declared.element();
        boolean isField = element.getKind().isField();
        boolean isOfRecord = declared.owner().filter(type -> type.getKind() == ElementKind.RECORD).isPresent();
        return switch (access) {
            case CONSTANTS -> true;
            case FIELDS -> isField;
            case BEANS -> !isField || isOfRecord || NamedElement.has(element, this::isMark) || element.getModifiers()
                    .contains(Modifier.PUBLIC);
            case LIKE_IDENTITY -> isField == !isIdentifiedByAccessor(declared);
        };
    }

    private boolean isIdentifiedByAccessor(NamedElement declared) {
        Predicate<String> identity = annotation -> isMark(annotation.substring(0, annotation.lastIndexOf('.') + 1))
                && IDENTITY.contains(annotation.substring(annotation.lastIndexOf('.') + 1));
        Stream<? extends Element> members = declared.owner().stream()
                .flatMap(type -> type.getEnclosedElements().stream());
        return members.anyMatch(member -> member.getKind() == ElementKind.METHOD && NamedElement.has(member, identity));
    }
}
