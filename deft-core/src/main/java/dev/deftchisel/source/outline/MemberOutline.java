package dev.deftchisel.source.outline;

import dev.deftchisel.source.Range;

/**
 * What the tokens of a declaration in a type say, without resolving anything; types are among them.
 *
 * @param kind       what it is
 * @param name       simple name; that of its class for a constructor
 * @param nameRange  where the name stands
 * @param parameters from parenthesis to parenthesis; empty for what has none
 * @param range      all of it, without the comments before it
 */
public record MemberOutline(Kind kind, String name, Range nameRange, Range parameters, Range range) {

    /** What is declared. */
    public enum Kind {
        CLASS, INTERFACE, ENUM, RECORD, ANNOTATION, ENUM_CONSTANT, FIELD, METHOD, CONSTRUCTOR;

        /** Whether it is a type rather than a member of one. */
        public boolean isType() {
            return switch (this) {
                case CLASS, INTERFACE, ENUM, RECORD, ANNOTATION -> true;
                case ENUM_CONSTANT, FIELD, METHOD, CONSTRUCTOR -> false;
            };
        }
    }

    /**
     * The name with the parameters, on one line.
     *
     * @param content of the file; put together only when somebody wants to see it, since all files are sketched
     */
    public String signature(String content) {
        return name + content.substring(parameters.start(), parameters.end()).replaceAll("\\s+", " ");
    }
}
