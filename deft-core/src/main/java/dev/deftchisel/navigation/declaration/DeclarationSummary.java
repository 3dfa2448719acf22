package dev.deftchisel.navigation.declaration;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.Comparator;
import java.util.Optional;

/**
 * What a declaration says of itself.
 *
 * @param heading       the declaration up to its body or value, on one line, without annotations' line ends
 * @param documentation the documentation comment before it with its stars, or empty text
 */
public record DeclarationSummary(String heading, String documentation) {

    /** The member whose name stands at a range of its file; empty for what is declared within bodies. */
    public static Optional<DeclarationSummary> at(SourceFile file, Range name) {
        return file.outline().members().stream()
                .filter(member -> member.nameRange().equals(name))
                .min(Comparator.comparingInt(member -> member.range().length()))
                .map(member -> new DeclarationSummary(heading(file, member), documentation(file, member)));
    }

    private static String heading(SourceFile file, MemberOutline member) {
        Tokens tokens = file.tokens();
        int depth = 0;
        int end = member.range().end();
        for (int i = tokens.code(tokens.at(member.range().start())); i < tokens.count()
                && tokens.start(i) < member.range().end();
                i = tokens.code(i + 1)) {
            boolean isEnd = tokens.is(i, '{') || tokens.is(i, '=') || tokens.is(i, ';');
            if (depth == 0 && isEnd) {
                end = tokens.start(i);
                break;
            }
            depth += tokens.is(i, '(') ? 1 : tokens.is(i, ')') ? -1 : 0;
        }
        return file.content().substring(member.range().start(), end).strip().replaceAll("\\s+", " ");
    }

    private static String documentation(SourceFile file, MemberOutline member) {
        Tokens tokens = file.tokens();
        for (int i = tokens.at(member.range().start()) - 1; i >= 0 && tokens.kind(i).isTrivia(); i--) {
            if (tokens.kind(i) == TokenKind.DOC_COMMENT) {
                return tokens.text(i);
            }
        }
        return "";
    }
}
