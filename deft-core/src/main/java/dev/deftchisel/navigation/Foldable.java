package dev.deftchisel.navigation;

import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.FileOutline;
import dev.deftchisel.source.outline.ImportOutline;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * Lines of which all but the first can be hidden.
 *
 * @param kind  what they are
 * @param first the line that stays to be seen, from 1
 * @param last  the last line that is hidden
 */
public record Foldable(Kind kind, int first, int last) {

    /** What can be folded. */
    public enum Kind { BLOCK, COMMENT, IMPORTS }

    /**
     * Blocks, comments of several lines and the imports, in the order in which they end; goes by tokens, so broken code
     * will do.
     */
    public static List<Foldable> in(Tokens tokens, FileOutline outline, LineMap lines) {
        List<Foldable> found = new ArrayList<>();
        Deque<Integer> open = new ArrayDeque<>();
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.is(i, '{')) {
                open.push(tokens.start(i));
            } else if (tokens.is(i, '}') && !open.isEmpty()) {
                // the line of the brace stays to be seen
                add(found, lines, Kind.BLOCK, new Range(open.pop(), tokens.start(i)), 1);
            } else if (tokens.kind(i).isComment() && tokens.kind(i) != TokenKind.LINE_COMMENT) {
                add(found, lines, Kind.COMMENT, tokens.range(i), 0);
            }
        }
        List<ImportOutline> imports = outline.imports();
        if (!imports.isEmpty()) {
            add(found, lines, Kind.IMPORTS, new Range(imports.get(0).range().start(), imports.get(imports.size() - 1)
                    .range().end()), 0);
        }
        return found;
    }

    private static void add(List<Foldable> found, LineMap lines, Kind kind, Range range, int shown) {
        int first = lines.line(range.start());
        int last = lines.line(range.end()) - shown;
        if (last > first) {
            found.add(new Foldable(kind, first, last));
        }
    }
}
