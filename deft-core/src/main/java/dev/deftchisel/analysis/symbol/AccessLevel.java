package dev.deftchisel.analysis.symbol;

import java.util.Collection;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
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
        if (modifiers.contains(Modifier.PUBLIC)) {
            return PUBLIC;
        }
        if (modifiers.contains(Modifier.PROTECTED)) {
            return PROTECTED;
        }
        return modifiers.contains(Modifier.PRIVATE) ? PRIVATE : PACKAGE;
    }

    /** The keyword with a blank after it, as it stands before a type; empty for {@link #PACKAGE}. */
    public String prefix() {
        return modifier.isEmpty() ? "" : modifier + " ";
    }

    /** How far something must be open to be used elsewhere, subclasses aside. */
    public static AccessLevel between(Element declared, Element use) {
        if (outermost(declared).equals(outermost(use))) {
            return PRIVATE;
        }
        return home(declared).equals(home(use)) ? PACKAGE : PUBLIC;
    }

    private static String outermost(Element element) {
        Element at = element;
        while (at.getEnclosingElement() != null && at.getEnclosingElement().getKind() != ElementKind.PACKAGE) {
            at = at.getEnclosingElement();
        }
        return at.toString();
    }

    private static String home(Element element) {
        Element at = element;
        while (at.getEnclosingElement() != null && at.getKind() != ElementKind.PACKAGE) {
            at = at.getEnclosingElement();
        }
        return at.toString();
    }

    /** For people, after "open to". */
    public String words() {
        return switch (this) {
            case PRIVATE -> "its class";
            case PACKAGE -> "its package";
            case PROTECTED -> "its package and subclasses";
            case PUBLIC -> "everyone";
        };
    }
}
