package dev.deftchisel.source;

/**
 * What the tokens of a declaration in a type say, without resolving anything; types are among them.
 *
 * @param kind       what it is
 * @param name       simple name; that of its class for a constructor
 * @param signature  the name with what stands between the parentheses of a method, blanks put together
 * @param nameRange  where the name stands
 * @param range      all of it, without the comments before it
 */
public record MemberSketch(Kind kind, String name, String signature, Range nameRange, Range range) {

    /** What is declared. */
    public enum Kind { CLASS, INTERFACE, ENUM, RECORD, ANNOTATION, ENUM_CONSTANT, FIELD, METHOD, CONSTRUCTOR }
}
