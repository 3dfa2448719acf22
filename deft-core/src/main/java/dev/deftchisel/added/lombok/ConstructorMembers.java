package dev.deftchisel.added.lombok;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.added.Added;
import dev.deftchisel.added.AnnotatedType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Constructors, and static methods that call them. */
final class ConstructorMembers {

    private static final List<String> ANNOTATIONS = List.of("NoArgsConstructor", "RequiredArgsConstructor",
            "AllArgsConstructor");

    private final ConfiguredType reading;
    private final List<Added> members = new ArrayList<>();

    ConstructorMembers(ConfiguredType reading) {
        this.reading = reading;
    }

    List<Added> all() {
        reading.annotation("NoArgsConstructor").ifPresent(one -> add(one, List.of()));
        reading.annotation("RequiredArgsConstructor").ifPresent(one -> add(one, required()));
        reading.annotation("AllArgsConstructor").ifPresent(one -> add(one, settable()));
        boolean isWritten = !reading.type().constructors().isEmpty();
        boolean isSaid = ANNOTATIONS.stream().anyMatch(reading::has) || reading.isRecord();
        if (!isSaid && !isWritten && reading.has("Builder")) {
            constructor("", settable());
        } else if (!isSaid && reading.has("Value")) {
            implied("Value", settable(), isWritten);
        } else if (!isSaid && reading.has("Data")) {
            implied("Data", required(), isWritten);
        }
        if (reading.has("UtilityClass")) {
            // one of our own is not allowed beside it, and would be there twice
            constructor("private ", List.of());
        }
        if (reading.has("StandardException")) {
            exception();
        }
        return members;
    }

    /** A static method that makes objects is added also beside constructors of its own. */
    private void implied(String annotation, List<VariableTree> fields, boolean isWritten) {
        Optional<String> factory = reading.annotation(annotation)
                .flatMap(one -> AnnotatedType.text(one, "staticConstructor"))
                .filter(name -> !name.isEmpty());
        if (!isWritten) {
            constructor(factory.isPresent() ? "private " : "public ", fields);
        }
        factory.ifPresent(name -> factory(name, "public ", fields));
    }

    private void add(AnnotationTree annotation, List<VariableTree> fields) {
        Optional<String> access = ConfiguredType.access(annotation, "access");
        Optional<String> factory = AnnotatedType.text(annotation, "staticName").filter(name -> !name.isEmpty());
        access.ifPresent(said -> {
            constructor(reading.isEnum() || factory.isPresent() ? "private " : said, fields);
            factory.ifPresent(name -> factory(name, said, fields));
        });
    }

    /** Fields that have no value yet: all but initialised finals. */
    private List<VariableTree> settable() {
        return reading.fields().stream().filter(field -> !(reading.isFinal(field) && field.getInitializer() != null))
                .toList();
    }

    private List<VariableTree> required() {
        return reading.fields().stream()
                .filter(field -> field.getInitializer() == null && (reading.isFinal(field) || reading.isNonNull(field)))
                .toList();
    }

    static String parameters(List<VariableTree> fields) {
        return fields.stream().map(field -> field.getType() + " " + field.getName()).collect(Collectors.joining(", "));
    }

    private void constructor(String access, List<VariableTree> fields) {
        String body = fields.stream().map(field -> "this." + field.getName() + " = " + field.getName() + "; ")
                .collect(Collectors.joining());
        boolean leavesFinals = reading.fields().stream()
                .anyMatch(field -> reading.isFinal(field) && field.getInitializer() == null && !fields.contains(field));
        members.add(new Added("", "constructor", reading.type().name(), "", access + reading.type()
                .name() + "(" + parameters(fields)
                + ") { " + body + (leavesFinals ? "throw null; " : "") + "}"));
    }

    private void factory(String name, String access, List<VariableTree> fields) {
        String parameters = reading.type().typeParameters();
        members.add(new Added("", "factory", name, "", access + "static "
                + (parameters.isEmpty() ? "" : parameters + " ")
                + reading.type().self() + " " + name + "(" + parameters(fields) + ") { return null; }"));
    }

    private void exception() {
        String name = reading.type().name();
        for (String parameters : List.of("", "java.lang.String message", "java.lang.Throwable cause",
                "java.lang.String message, java.lang.Throwable cause")) {
            String types = parameters.replaceAll("java\\.lang\\.(\\w+) \\w+", "$1");
            boolean isThere = reading.type().constructors().stream()
                    .map(constructor -> constructor.getParameters().stream()
                    .map(parameter -> parameter.getType().toString().replaceFirst("^java\\.lang\\.", ""))
                    .collect(Collectors.joining(", ")))
                    .anyMatch(types::equals);
            if (!isThere) {
                members.add(new Added("", "constructor", name, "", "public " + name + "(" + parameters + ") { }"));
            }
        }
    }
}
