package dev.deftchisel.extract.value;

/** How the type of a new variable is written. */
enum VariableForm {
    /** As the code around mostly does. */
    STYLE,
    /** By its name. */
    EXPLICIT,
    /** As {@code var}, where the value has its type by itself (JLS 14.4.1). */
    VAR,
    /** Not at all: it is declared elsewhere, and only gets its value here. */
    ASSIGNED;

    /** The form for an answer: {@code style}, {@code explicit} or {@code var}. */
    static VariableForm of(String answer) {
        return switch (answer) {
            case "explicit" -> EXPLICIT;
            case "var" -> VAR;
            default -> STYLE;
        };
    }
}
