package dev.deftchisel.member.parameter;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Constructors as text. */
public final class ConstructorText {

    private ConstructorText() {
    }

    /**
     * One that passes some of its parameters to the superclass and keeps others.
     *
     * @param visibility with a blank after it, or empty
     * @param name       of the class
     * @param parameters as they stand between the parentheses
     * @param handedUp   what the constructor above gets
     * @param kept       the value that each field gets
     * @return lines, each level indented by four blanks
     */
    public static List<String> lines(String visibility, String name, String parameters, List<String> handedUp,
            Map<String, String> kept) {
        List<String> lines = new ArrayList<>(List.of(visibility + name + "(" + parameters + ") {"));
        if (!handedUp.isEmpty()) {
            lines.add("    super(" + String.join(", ", handedUp) + ");");
        }
        kept.forEach((field, value) -> lines.add("    this." + field + " = " + value + ";"));
        lines.add("}");
        return lines;
    }

    /**
     * One that leaves all to another of the same class.
     *
     * @param arguments what the other one gets
     */
    public static List<String> delegating(String visibility, String name, String parameters, List<String> arguments) {
        return List.of(visibility + name + "(" + parameters + ") {", "    this(" + String.join(", ", arguments) + ");",
                "}");
    }
}
