package dev.deftchisel.rename.mention;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Tells the text of an annotation that names a member of the class it stands in, such as the source of a test's
 * arguments.
 */
public final class StringReferences {

    private static final Set<String> ANNOTATIONS = Set.of("MethodSource", "FieldSource", "EnabledIf", "DisabledIf");

    private StringReferences() {
    }

    /** Where annotations name a member of the class in whose file they stand. */
    public static List<Range> all(Tokens tokens, String name) {
        return IntStream.range(0, tokens.count()).filter(i -> tokens.kind(i).isText() && isOne(tokens, i, name))
                .mapToObj(tokens::range).toList();
    }

    /** Whether a literal is what {@link Class#forName(String)} or a class loader is asked for. */
    static boolean namesClass(Tokens tokens, int literal) {
        int open = tokens.codeBefore(literal - 1);
        int method = open > 0 && tokens.is(open, '(') ? tokens.codeBefore(open - 1) : -1;
        return method > 0 && (tokens.is(method, "forName") || tokens.is(method, "loadClass"));
    }

    /**
     * Whether a literal is just a name, in one of these annotations.
     *
     * @param literal the index of the token
     */
    static boolean isOne(Tokens tokens, int literal, String name) {
        if (!tokens.text(literal).equals('"' + name + '"')) {
            return false;
        }
        int at = tokens.codeBefore(literal - 1);
        while (at > 0 && (tokens.is(at, ',') || tokens.is(at, '{') || tokens.is(at, '=') || tokens.kind(at).isText()
                || tokens.kind(at) == TokenKind.IDENTIFIER && tokens.name(at).equals("value"))) {
            at = tokens.codeBefore(at - 1);
        }
        int type = at > 0 && tokens.is(at, '(') ? tokens.codeBefore(at - 1) : -1;
        return type > 0 && tokens.kind(type) == TokenKind.IDENTIFIER && ANNOTATIONS.contains(tokens.name(type));
    }
}
