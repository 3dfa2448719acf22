package dev.deftchisel.navigation.declaration;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.Words;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Set;

/** Where a file may declare methods of a name, also in anonymous classes; told from tokens alone. */
public final class DeclaredMethods {

    private static final Set<String> BEFORE_CALLS = Set.of("return", "new", "throw", "else", "do", "assert", "case",
            "yield");
    private static final Set<String> ENDS_OF_TYPES = Set.of(">", "]");

    private DeclaredMethods() {
    }

    /**
     * The names that are preceded by a type, and followed by parameters or what follows the component of a record; a
     * few of them may be calls. All of a file in which names may be escaped.
     */
    public static List<Range> in(SourceFile file, String name) {
        if (file.hasEscapes()) {
            return List.of(new Range(0, file.content().length()));
        }
        Tokens tokens = file.tokens();
        boolean hasRecords = Words.contains(file.content(), "record");
        Set<String> after = hasRecords ? Set.of("(", ",", ")") : Set.of("(");
        return Words.find(file.content(), name).stream().filter(word -> isDeclared(tokens, word, after)).toList();
    }

    private static boolean isDeclared(Tokens tokens, Range word, Set<String> after) {
        int token = tokens.at(word.start());
        if (token < 0 || tokens.kind(token) != TokenKind.IDENTIFIER) {
            return false;
        }
        int next = tokens.code(token + 1);
        int before = tokens.codeBefore(token - 1);
        if (next >= tokens.count() || before < 0 || !after.contains(tokens.text(next))) {
            return false;
        }
        String text = tokens.text(before);
        return tokens.kind(before) == TokenKind.IDENTIFIER && !BEFORE_CALLS.contains(text)
                || tokens.kind(before) == TokenKind.KEYWORD && !BEFORE_CALLS.contains(text)
                || ENDS_OF_TYPES.contains(text);
    }
}
