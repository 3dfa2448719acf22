package dev.deftchisel.analysis.symbol;

/** What a name does where it stands. */
public enum Role {
    DECLARATION,
    READ,
    /** Also where the value is read and written at once. */
    WRITE,
    CALL,
    /** A type, package or type parameter that is named in code. */
    TYPE,
    IMPORT,
    /** A reference in documentation, such as {@code @link} or {@code @param}. */
    DOC;

    /** Whether it is a use in code: no declaration, import or documentation. */
    public boolean isUse() {
        return this != DECLARATION && this != IMPORT && this != DOC;
    }
}
