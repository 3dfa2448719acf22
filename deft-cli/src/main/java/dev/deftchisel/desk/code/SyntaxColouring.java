package dev.deftchisel.desk.code;

import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.source.Tokens;
import java.util.Locale;
import java.util.Set;

/** What a token is to the eye. Contextual keywords (JLS 3.9) are told by what stands after them. */
final class SyntaxColouring {

    private static final Set<String> BEFORE_NAMES = Set.of("var", "record", "sealed", "non", "permits", "yield",
            "module", "requires",
            "exports", "opens", "uses", "provides", "with", "to", "transitive", "open", "when");

    private SyntaxColouring() {
    }

    static Ink ink(Tokens tokens, int token) {
        return switch (tokens.kind(token)) {
            case KEYWORD -> Ink.KEYWORD;
            case STRING, TEXT_BLOCK, CHARACTER -> Ink.LITERAL;
            case NUMBER -> Ink.NUMBER;
            case LINE_COMMENT, BLOCK_COMMENT, DOC_COMMENT -> Ink.COMMENT;
            case IDENTIFIER -> name(tokens, token);
            case SYMBOL -> tokens.is(token, '@') ? Ink.ANNOTATION : Ink.PLAIN;
            case UNKNOWN -> Ink.ERROR;
            case WHITE_SPACE -> Ink.PLAIN;
        };
    }

    private static Ink name(Tokens tokens, int token) {
        int before = tokens.codeBefore(token - 1);
        int next = tokens.code(token + 1);
        if (before >= 0 && tokens.is(before, '@')) {
            return Ink.ANNOTATION;
        }
        boolean isFollowedByName = next < tokens.count()
                && Character.isJavaIdentifierStart(tokens.content().charAt(tokens.start(next)));
        boolean isBehindDot = before >= 0 && tokens.is(before, '.');
        if (isFollowedByName && !isBehindDot && BEFORE_NAMES.contains(tokens.text(token))) {
            return Ink.KEYWORD;
        }
        if (next < tokens.count() && tokens.is(next, '(')) {
            return Character.isUpperCase(tokens.content().charAt(tokens.start(token))) ? Ink.TYPE : Ink.CALL;
        }
        return isType(tokens.text(token)) ? Ink.TYPE : Ink.PLAIN;
    }

    /** By the convention (JLS 6.1): a capital, then a small letter or nothing. */
    private static boolean isType(String name) {
        return Character.isUpperCase(name.charAt(0))
                && (name.length() == 1 || !name.equals(name.toUpperCase(Locale.ROOT)));
    }
}
