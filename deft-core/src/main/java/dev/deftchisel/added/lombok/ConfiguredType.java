package dev.deftchisel.added.lombok;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.added.AnnotatedType;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javax.lang.model.element.Modifier;

/**
 * A type with its annotations, and what its folder is configured to.
 *
 * @param type   as its text says it
 * @param config of the folder
 */
record ConfiguredType(AnnotatedType type, Config config) {

    /** An annotation in {@code lombok} or {@code lombok.experimental}. */
    Optional<AnnotationTree> annotation(ModifiersTree modifiers, String simpleName) {
        return Stream.of("lombok.", "lombok.experimental.")
                .flatMap(home -> type.annotation(modifiers, home + simpleName).stream()).findFirst();
    }

    Optional<AnnotationTree> annotation(String simpleName) {
        return annotation(type.tree().getModifiers(), simpleName);
    }

    boolean has(String simpleName) {
        return annotation(simpleName).isPresent();
    }

    boolean isRecord() {
        return type.tree().getKind() == Tree.Kind.RECORD;
    }

    boolean isEnum() {
        return type.tree().getKind() == Tree.Kind.ENUM;
    }

    /** Fields that Lombok looks at: those whose names begin with a dollar sign are left out. */
    List<VariableTree> fields() {
        return type.instanceFields().stream().filter(field -> !field.getName().toString().startsWith("$")).toList();
    }

    /** Whether a field is final, also by an annotation of its type. */
    boolean isFinal(VariableTree field) {
        boolean isMade = has("Value") || annotation("FieldDefaults")
                .flatMap(one -> AnnotatedType.text(one, "makeFinal"))
                .filter("true"::equals).isPresent();
        return field.getModifiers().getFlags().contains(Modifier.FINAL) || isRecord()
                || isMade && annotation(field.getModifiers(), "NonFinal").isEmpty();
    }

    boolean isNonNull(VariableTree field) {
        return field.getModifiers().getAnnotations().stream().map(one -> one.getAnnotationType().toString())
                .anyMatch(name -> name.endsWith("NonNull") || name.endsWith("Nonnull"));
    }

    /** The access that an annotation says, as a modifier; empty for none at all. */
    static Optional<String> access(AnnotationTree annotation, String element) {
        String said = AnnotatedType.value(annotation, element).map(Object::toString).orElse("PUBLIC");
        return switch (said.substring(said.lastIndexOf('.') + 1)) {
            case "NONE" -> Optional.empty();
            case "PRIVATE" -> Optional.of("private ");
            case "PROTECTED" -> Optional.of("protected ");
            case "PACKAGE", "MODULE" -> Optional.of("");
            default -> Optional.of("public ");
        };
    }
}
