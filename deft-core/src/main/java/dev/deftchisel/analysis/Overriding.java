package dev.deftchisel.analysis;

/**
 * A method that overrides or implements another (JLS 8.4.8.1), as seen in one type.
 *
 * @param type       the type both are members of
 * @param overriding the method that is chosen; declared in the type, or inherited from a class into a type that joins
 *                   it with an interface
 * @param overridden the method of a supertype
 */
public record Overriding(SymbolKey type, SymbolKey overriding, SymbolKey overridden) {
}
