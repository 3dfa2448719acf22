package dev.deftchisel.analysis;

import java.util.Collection;
import javax.lang.model.element.Modifier;

/** From where a member or a type may be used, from near to far (JLS 6.6). */
public enum AccessLevel {
    PRIVATE("private"),
    PACKAGE(""),
    PROTECTED("protected"),
    PUBLIC("public");

    private final String modifier;

    AccessLevel(String modifier) {
        this.modifier = modifier;
    }

    /** What modifiers say of a declaration in a class; members of interfaces are public without saying so. */
    public static AccessLevel of(Collection<Modifier> modifiers) {
        return modifiers.contains(Modifier.PUBLIC) ? PUBLIC
                : modifiers.contains(Modifier.PROTECTED) ? PROTECTED
                : modifiers.contains(Modifier.PRIVATE) ? PRIVATE : PACKAGE;
    }

    /** The keyword; empty for {@link #PACKAGE}, which has none. */
    public String modifier() {
        return modifier;
    }

    /** For people, behind "open to". */
    public String words() {
        return switch (this) {
            case PRIVATE -> "its class";
            case PACKAGE -> "its package";
            case PROTECTED -> "its package and subclasses";
            case PUBLIC -> "everyone";
        };
    }
}
