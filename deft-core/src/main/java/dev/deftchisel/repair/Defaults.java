package dev.deftchisel.repair;

import javax.lang.model.type.TypeMirror;

/** The value that a type has when nothing is said (JLS 4.12.5). */
final class Defaults {

    private Defaults() {
    }

    static String of(TypeMirror type) {
        return switch (type.getKind()) {
            case BOOLEAN -> "false";
            case CHAR -> "'\\0'";
            case LONG -> "0L";
            case FLOAT -> "0f";
            case DOUBLE -> "0.0";
            case BYTE, SHORT, INT -> "0";
            default -> "null";
        };
    }
}
