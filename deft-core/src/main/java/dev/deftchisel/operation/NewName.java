package dev.deftchisel.operation;

import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKind;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.SourceVersion;
import javax.lang.model.element.Modifier;

/**
 * The rules for names: what the language forbids (JLS 3.8, 3.9, 8.1, 8.10.1) and what convention expects (JLS 6.1).
 *
 * @param name  the name that is wanted
 * @param kind  what is to bear it
 * @param level the language level, for instance 17
 */
public record NewName(String name, SymbolKind kind, int level) {

    /** Names that no type may bear, with the level from which they are taken (JLS 3.9, restricted identifiers). */
    private static final Set<String> NOT_FOR_TYPES_10 = Set.of("var");
    private static final Set<String> NOT_FOR_TYPES_14 = Set.of("yield");
    private static final Set<String> NOT_FOR_TYPES_16 = Set.of("record");
    private static final Set<String> NOT_FOR_TYPES_17 = Set.of("sealed", "permits");
    /** Methods every record or object has, whose names a component may not take (JLS 8.10.1). */
    private static final Set<String> NOT_FOR_COMPONENTS = Set.of(
            "clone", "finalize", "getClass", "hashCode", "notify", "notifyAll", "toString", "wait");

    /**
     * The name that is wished for, with a number after it where it is taken or a keyword.
     *
     * @param taken names that would be captured, or capture
     */
    public static String free(Set<String> taken, String wish) {
        String name = wish;
        for (int number = 2; taken.contains(name) || SourceVersion.isKeyword(name); number++) {
            name = wish + number;
        }
        return name;
    }

    /** The rules for another name of a symbol. */
    public static NewName of(String name, Symbol symbol, int level) {
        return new NewName(name, symbol.kind(), level);
    }

    /** Why the language does not allow the name, as one line; empty when it does. */
    public Optional<String> objection() {
        if (name.isEmpty()) {
            return Optional.of("the new name is empty");
        }
        boolean isDotted = kind == SymbolKind.PACKAGE || kind == SymbolKind.MODULE;
        String[] parts = isDotted ? name.split("\\.", -1) : new String[] {name};
        return Arrays.stream(parts).map(this::objection).flatMap(Optional::stream).findFirst();
    }

    private Optional<String> objection(String part) {
        if (part.equals("_")) {
            return Optional.of("'_' is not a name from Java 9 on");
        }
        if (!SourceVersion.isIdentifier(part)) {
            return Optional.of("'" + name + "' is not a legal name in Java: "
                    + (part.isEmpty() ? "a part of it is empty" : illegal(part)));
        }
        if (SourceVersion.isKeyword(part, version())) {
            return Optional.of("'" + part + "' is a keyword of Java " + level);
        }
        if ((kind.isType() || kind == SymbolKind.TYPE_PARAMETER) && isTakenForTypes(part)) {
            return Optional.of("'" + part + "' cannot be the name of a type in Java " + level);
        }
        if (kind == SymbolKind.RECORD_COMPONENT && NOT_FOR_COMPONENTS.contains(part)) {
            return Optional.of("'" + part + "' cannot be the name of a record component");
        }
        return Optional.empty();
    }

    private static String illegal(String part) {
        return part.codePoints()
                .filter(c -> !Character.isJavaIdentifierPart(c))
                .mapToObj(c -> "it contains '" + Character.toString(c) + "'")
                .findFirst()
                .orElse("it cannot start with '" + Character.toString(part.codePointAt(0)) + "'");
    }

    private boolean isTakenForTypes(String part) {
        return level >= 10 && NOT_FOR_TYPES_10.contains(part)
                || level >= 14 && NOT_FOR_TYPES_14.contains(part)
                || level >= 16 && NOT_FOR_TYPES_16.contains(part)
                || level >= 17 && NOT_FOR_TYPES_17.contains(part);
    }

    private SourceVersion version() {
        SourceVersion[] versions = SourceVersion.values();
        return versions[Math.min(level, versions.length - 1)];
    }

    /** What convention (JLS 6.1) says against the name; a note, never a refusal. */
    public Optional<String> unconventional(Set<Modifier> modifiers) {
        boolean isConstant = kind == SymbolKind.ENUM_CONSTANT
                || kind == SymbolKind.FIELD && modifiers.containsAll(Set.of(
                        Modifier.STATIC, Modifier.FINAL));
        boolean startsUpper = Character.isUpperCase(name.codePointAt(0));
        if (kind.isType() || kind == SymbolKind.TYPE_PARAMETER) {
            return startsUpper ? Optional.empty() : Optional.of("by convention " + kind.words()
                    + " names start with a capital");
        }
        if (kind == SymbolKind.PACKAGE || kind == SymbolKind.MODULE) {
            return name.equals(name.toLowerCase(Locale.ROOT))
                    ? Optional.empty()
                    : Optional.of("by convention " + kind.words() + " names are in small letters");
        }
        return !isConstant && startsUpper && kind != SymbolKind.LABEL
                ? Optional.of("by convention " + kind.words() + " names start with a small letter")
                : Optional.empty();
    }
}
