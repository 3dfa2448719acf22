package dev.deftchisel.navigation;

import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.Optional;

/**
 * The call in whose arguments a caret is, by its tokens, since while somebody writes arguments the code does not parse.
 *
 * @param name     the offset of the name that is called
 * @param argument which argument the caret is in, from 0 on
 */
public record EnclosingCall(int name, int argument) {

    /** The innermost call whose parentheses are open at a caret. */
    public static Optional<EnclosingCall> at(Tokens tokens, int caret) {
        int depth = 0;
        int argument = 0;
        for (int i = last(tokens, caret); i >= 0; i--) {
            if (tokens.is(i, ')') || tokens.is(i, ']') || tokens.is(i, '}')) {
                depth++;
            } else if (tokens.is(i, '(') || tokens.is(i, '[') || tokens.is(i, '{')) {
                if (depth == 0) {
                    int before = tokens.codeBefore(i - 1);
                    boolean isCall = tokens.is(i, '(') && before >= 0 && tokens.kind(before) == TokenKind.IDENTIFIER;
                    return isCall ? Optional.of(new EnclosingCall(tokens.start(before), argument)) : Optional.empty();
                }
                depth--;
            } else if (depth == 0 && tokens.is(i, ',')) {
                argument++;
            } else if (depth == 0 && tokens.is(i, ';')) {
                return Optional.empty();
            }
        }
        return Optional.empty();
    }

    /** The last token that begins before the caret. */
    private static int last(Tokens tokens, int caret) {
        int token = tokens.at(Math.min(caret, tokens.content().length()));
        return token >= 0 && tokens.start(token) >= caret ? token - 1 : token;
    }
}
