package dev.deftchisel.member;

import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** What stands for code that somebody has yet to write. */
public final class StandIn {

    /** The body of a method that fails, as a line of it. */
    public static final String FAILURE = "    throw new UnsupportedOperationException(\"not written yet\");";

    private StandIn() {
    }

    /** The value that a variable has when nothing is said (JLS 4.12.5), as code. */
    public static String value(TypeMirror type) {
        return type.getKind() == TypeKind.BOOLEAN ? "false" : type.getKind() == TypeKind.CHAR ? "'\\0'" : type.getKind().isPrimitive()
                ? "0" : "null";
    }

    /** The same for a type as it is written. */
    public static String value(String type) {
        return switch (type) {
            case "boolean" -> "false";
            case "char" -> "'\\0'";
            case "byte", "short", "int", "long", "float", "double" -> "0";
            default -> "null";
        };
    }

    /** The body of a method that hands that back, as a line of it. */
    public static String returned(TypeMirror type) {
        return "    return " + value(type) + ";";
    }
}
