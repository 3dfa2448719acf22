package dev.deftchisel.source;

/** What a token is (JLS 3.5), with white space and comments kept as tokens of their own. */
public enum TokenKind {
    WHITE_SPACE,
    LINE_COMMENT,
    BLOCK_COMMENT,
    /** A comment that opens with two asterisks, or one of a run of lines that open with three slashes (JEP 467). */
    DOC_COMMENT,
    /** Also the contextual keywords of JLS 3.9, which only a parser can tell apart. */
    IDENTIFIER,
    /** A reserved keyword, or {@code true}, {@code false}, {@code null}. */
    KEYWORD,
    NUMBER,
    CHARACTER,
    STRING,
    TEXT_BLOCK,
    /** A separator or operator; those that open with {@code >} come one character at a time, see JLS 3.5. */
    SYMBOL,
    /** What no Java token can start with. */
    UNKNOWN;

    /** Whether the compiler's grammar never sees the token. */
    public boolean isTrivia() {
        return this == WHITE_SPACE || isComment();
    }

    /** Whether the token is a comment of any form. */
    public boolean isComment() {
        return this == LINE_COMMENT || this == BLOCK_COMMENT || this == DOC_COMMENT;
    }

    /** Whether the token holds text in quotation marks. */
    public boolean isText() {
        return this == STRING || this == TEXT_BLOCK;
    }
}
