package dev.deftchisel.declare.signature;

import dev.deftchisel.member.parameter.ConstructorText;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A type that is to be declared, as text.
 *
 * @param kind       of which kind it is
 * @param modifiers  with a blank after each
 * @param name       its simple name
 * @param variables  its type parameters
 * @param state      what its objects are made from, in order
 * @param above      what it extends or implements, with {@code extends} or {@code implements} before it; may be empty
 * @param constants  of an enum
 * @param methods    lines of the methods that it must have, a blank line between two
 */
public record NewType(Kind kind, String modifiers, String name, List<String> variables, Parameters state, String above,
               List<String> constants, List<List<String>> methods) {

    /** What there can be (JLS 8, 9). */
    public enum Kind {
        CLASS, RECORD, INTERFACE, ENUM, ANNOTATION, EXCEPTION;

        /** As it is said in an answer. */
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Whether its objects are made by calls of a constructor. */
        boolean isMade() {
            return this == CLASS || this == RECORD || this == EXCEPTION;
        }
    }

    public NewType {
        variables = List.copyOf(variables);
        constants = List.copyOf(constants);
        methods = List.copyOf(methods);
    }

    /** Its lines, each level indented by four blanks. */
    List<String> lines() {
        String head = name + (variables.isEmpty() ? "" : "<" + String.join(", ", variables) + ">");
        String rest = above.isEmpty() ? "" : " " + above;
        return switch (kind) {
            case CLASS -> body("class " + head + rest, withConstructor(List.of()));
            case EXCEPTION -> body("class " + head + (above.isEmpty() ? " extends RuntimeException" : rest),
                    withConstructor(handedUp()));
            case RECORD -> body("record " + head + "(" + state.declared("") + ")" + rest, new ArrayList<>());
            case INTERFACE -> body("interface " + head, new ArrayList<>());
            case ENUM -> body("enum " + head, constants.isEmpty() ? new ArrayList<>()
                    : new ArrayList<>(List.of("    " + String.join(", ", constants))));
            case ANNOTATION -> body("@interface " + head, state.all().stream()
                    .map(one -> "    " + one.text() + " " + one.name() + "();")
                    .collect(Collectors.toCollection(ArrayList::new)));
        };
    }

    /** Names that are only proposed: those of components, which stand nowhere else. */
    Set<String> proposed() {
        return kind == Kind.RECORD ? state.all().stream().map(Parameters.One::name).collect(Collectors.toSet())
                : Set.of();
    }

    private List<String> body(String head, List<String> members) {
        for (List<String> method : methods) {
            if (!members.isEmpty()) {
                members.add("");
            }
            method.forEach(line -> members.add("    " + line));
        }
        List<String> lines = new ArrayList<>(List.of(modifiers + head + " {"));
        lines.addAll(members);
        lines.add("}");
        return lines;
    }

    /** What an exception leaves to the one above: what happened, and why. */
    private List<Parameters.One> handedUp() {
        return state.all().stream().filter(one -> one.text().equals("String")).limit(1).toList();
    }

    private List<String> withConstructor(List<Parameters.One> handedUp) {
        List<String> lines = new ArrayList<>();
        if (kind == Kind.EXCEPTION) {
            lines.add("    private static final long serialVersionUID = 1L;");
        }
        List<Parameters.One> kept = state.all().stream().filter(one -> !handedUp.contains(one)).toList();
        if (kind == Kind.EXCEPTION && !kept.isEmpty()) {
            lines.add("");
        }
        kept.forEach(one -> lines.add("    private final " + one.declared("") + ";"));
        if (!state.all().isEmpty()) {
            if (!lines.isEmpty()) {
                lines.add("");
            }
            Map<String, String> assigned = new LinkedHashMap<>();
            kept.forEach(one -> assigned.put(one.name(), one.name()));
            ConstructorText.lines(modifiers.contains("public ") ? "public " : "", name, state.declared(""),
                    handedUp.stream().map(Parameters.One::name).toList(), assigned)
                    .forEach(line -> lines.add("    " + line));
        }
        return lines;
    }
}
