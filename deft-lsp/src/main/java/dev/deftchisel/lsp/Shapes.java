package dev.deftchisel.lsp;

import dev.deftchisel.navigation.Growing;
import dev.deftchisel.source.ImportSketch;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.eclipse.lsp4j.FoldingRange;
import org.eclipse.lsp4j.FoldingRangeKind;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.SelectionRange;

/** What of a file can be folded, and how a selection grows. */
final class Shapes {

    private Shapes() {
    }

    /** Blocks, comments of several lines, and the imports. */
    static List<FoldingRange> folds(SourceFile file) {
        List<FoldingRange> folds = new ArrayList<>();
        Tokens tokens = file.tokens();
        Deque<Integer> open = new ArrayDeque<>();
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.is(i, '{')) {
                open.push(tokens.start(i));
            } else if (tokens.is(i, '}') && !open.isEmpty()) {
                // the line of the brace stays to be seen
                add(folds, file, open.pop(), tokens.start(i), 1, null);
            } else if (tokens.kind(i).isComment() && tokens.kind(i) != TokenKind.LINE_COMMENT) {
                add(folds, file, tokens.start(i), tokens.end(i), 0, FoldingRangeKind.Comment);
            }
        }
        List<ImportSketch> imports = file.skeleton().imports();
        if (!imports.isEmpty()) {
            add(folds, file, imports.get(0).range().start(), imports.get(imports.size() - 1).range().end(), 0, FoldingRangeKind.Imports);
        }
        return folds;
    }

    private static void add(List<FoldingRange> folds, SourceFile file, int start, int end, int shown, String kind) {
        int first = file.lines().line(start) - 1;
        int last = file.lines().line(end) - 1 - shown;
        if (last > first) {
            FoldingRange fold = new FoldingRange(first, last);
            fold.setKind(kind);
            folds.add(fold);
        }
    }

    static List<SelectionRange> growing(Session.Asked asked, List<Position> positions) {
        Positions places = asked.positions();
        List<SelectionRange> all = new ArrayList<>();
        for (Position position : positions) {
            int caret = places.offset(position);
            SelectionRange range = null;
            List<Range> steps = new Growing(asked.file().tokens()).around(new Range(caret, caret));
            for (int i = steps.size() - 1; i >= 0; i--) {
                range = new SelectionRange(places.of(steps.get(i)), range);
            }
            all.add(range == null ? new SelectionRange(places.of(new Range(caret, caret)), null) : range);
        }
        return all;
    }
}
