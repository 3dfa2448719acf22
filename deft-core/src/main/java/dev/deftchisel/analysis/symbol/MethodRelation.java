package dev.deftchisel.analysis.symbol;

/**
 * Two methods of one name and how they stand to each other in a type that has both.
 *
 * @param type   the type both are members of
 * @param kind   how they stand to each other
 * @param method for {@link Kind#OVERRIDES} the one that is chosen: declared in the type, or inherited from a class into
 *               a type that joins it with an interface
 * @param other  for {@link Kind#OVERRIDES} the method of a supertype
 */
public record MethodRelation(SymbolKey type, Kind kind, SymbolKey method, SymbolKey other) {

    /** How two methods stand to each other. */
    public enum Kind {
        /** The first overrides or implements the second (JLS 8.4.8.1). */
        OVERRIDES,
        /** Both are abstract and inherited as if they were one (JLS 8.4.8.4, 9.4.1.3). */
        MERGES,
        /** Both are inherited with the same erased parameters, and the language does not let a type have both. */
        CLASHES
    }

    /** Whether the two must bear the same name. */
    public boolean isFamily() {
        return kind != Kind.CLASHES;
    }
}
