package dev.deftchisel.analysis.symbol;

import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Modifier;

/**
 * What is known of a declaration.
 *
 * @param key       its identity
 * @param kind      what it is
 * @param name      simple name; for a package or module the whole name
 * @param signature how it is shown, for instance {@code Berth.moor(Vessel)}
 * @param owner     what it is declared in, when that is a type, method or package
 * @param modifiers explicit and implicit ones
 * @param isSource  whether it is declared in the workspace rather than in a library
 */
public record Symbol(
        SymbolKey key,
        SymbolKind kind,
        String name,
        String signature,
        Optional<SymbolKey> owner,
        Set<Modifier> modifiers,
        boolean isSource) {

    /** Copies the modifiers. */
    public Symbol {
        modifiers = Set.copyOf(modifiers);
    }

    /** Whether it belongs to its type rather than to an object. */
    public boolean isStatic() {
        return modifiers.contains(Modifier.STATIC);
    }

    /**
     * Whether only its own top-level type can see it. The field of a record component is private, its accessor is not.
     */
    public boolean isPrivate() {
        return modifiers.contains(Modifier.PRIVATE) && kind != SymbolKind.RECORD_COMPONENT;
    }

    /** For instance "method Berth.moor(Vessel)". */
    public String describe() {
        return kind.words() + " " + signature;
    }
}
