package dev.deftchisel.member;

import java.util.Locale;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeMirror;

/** What stands for code that somebody has yet to write. */
public final class PlaceholderCode {

    /** The body of a method that fails, as a line of it. */
    public static final String FAILURE = "    throw new UnsupportedOperationException(\"not written yet\");";

    private PlaceholderCode() {
    }

    /** The value that a variable has by default (JLS 4.12.5), as code. */
    public static String value(TypeMirror type) {
        return value(type.getKind().isPrimitive() ? type.getKind().name().toLowerCase(Locale.ROOT) : "");
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

    /**
     * What stands for the arguments of a call, between the parentheses; of a variable number there are none (JLS
     * 15.12.4.2).
     */
    public static String arguments(ExecutableElement called) {
        int count = called.getParameters().size() - (called.isVarArgs() ? 1 : 0);
        return called.getParameters().stream().limit(count).map(parameter -> value(parameter.asType()))
                .collect(Collectors.joining(", "));
    }

    /** The body of a method that returns that, as a line of it. */
    public static String returned(TypeMirror type) {
        return "    return " + value(type) + ";";
    }
}
