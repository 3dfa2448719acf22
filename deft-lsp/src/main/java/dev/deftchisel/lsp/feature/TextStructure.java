package dev.deftchisel.lsp.feature;

import dev.deftchisel.lsp.session.Positions;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.navigation.Foldable;
import dev.deftchisel.navigation.SelectionExpander;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import org.eclipse.lsp4j.FoldingRange;
import org.eclipse.lsp4j.FoldingRangeKind;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.SelectionRange;

/** What of a file can be folded, and how a selection grows. */
public final class TextStructure {

    private TextStructure() {
    }

    /** Blocks, comments of several lines, and the imports. */
    public static List<FoldingRange> folds(SourceFile file) {
        return Foldable.in(file.tokens(), file.outline(), file.lines()).stream().map(found -> {
            FoldingRange fold = new FoldingRange(found.first() - 1, found.last() - 1);
            fold.setKind(switch (found.kind()) {
                case BLOCK -> null;
                case COMMENT -> FoldingRangeKind.Comment;
                case IMPORTS -> FoldingRangeKind.Imports;
            });
            return fold;
        }).toList();
    }

    public static List<SelectionRange> growing(Session.FileText asked, List<Position> positions) {
        Positions places = asked.positions();
        List<SelectionRange> all = new ArrayList<>();
        for (Position position : positions) {
            int caret = places.offset(position);
            SelectionRange range = null;
            List<Range> steps = new SelectionExpander(asked.file().tokens()).around(new Range(caret, caret));
            for (int i = steps.size() - 1; i >= 0; i--) {
                range = new SelectionRange(places.of(steps.get(i)), range);
            }
            all.add(range == null ? new SelectionRange(places.of(new Range(caret, caret)), null) : range);
        }
        return all;
    }
}
