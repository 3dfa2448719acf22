package dev.deftchisel.rewrite;

import dev.deftchisel.change.Edit;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Words;
import dev.deftchisel.source.outline.ImportOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;

/** Which imports of a file nobody needs any more. */
public final class Imports {

    private Imports() {
    }

    /**
     * The edits that take away imports whose name stands only in what other edits take away. Comments count, so that no
     * documentation loses what it refers to.
     *
     * @param edits all others of the file
     */
    public static List<Edit> unneeded(SourceFile file, List<Edit> edits) {
        List<Range> found = new ArrayList<>();
        for (ImportOutline line : file.outline().imports()) {
            boolean isGone = edits.stream().anyMatch(edit -> edit.range().encloses(line.range()));
            List<Range> words = line.isOnDemand() || isGone ? List.of() : Words.find(file.content(), line.simpleName());
            boolean isTaken = words.stream().anyMatch(word -> isReplaced(word, edits));
            boolean isNeeded = words.stream().anyMatch(word -> !line.range().encloses(word) && !isReplaced(word, edits))
                    || edits.stream().anyMatch(edit -> !Words.find(edit.replacement(), line.simpleName()).isEmpty());
            if (isTaken && !isNeeded) {
                add(file, line.range(), found);
            }
        }
        return found.stream().map(range -> Edit.of(removed(file, range, edits), "", Edit.Kind.IMPORT)).toList();
    }

    /**
     * The edits that take away imports.
     *
     * @param lines in order
     * @param edits all others of the file
     */
    public static List<Edit> without(SourceFile file, List<ImportOutline> lines, List<Edit> edits) {
        List<Range> found = new ArrayList<>();
        lines.forEach(line -> add(file, line.range(), found));
        return found.stream().map(range -> Edit.of(removed(file, range, edits), "", Edit.Kind.IMPORT)).toList();
    }

    /**
     * The lines with the end of the last one, or with that of the line before where something is inserted after the
     * last one.
     */
    private static Range removed(SourceFile file, Range lines, List<Edit> edits) {
        Range removed = Layout.removed(file, lines);
        boolean isInserted = edits.stream().anyMatch(edit -> edit.range().length() == 0 && edit.range()
                .start() == lines.end());
        if (!isInserted) {
            return removed;
        }
        int start = removed.start();
        while (start > 0 && Character.isWhitespace(file.content().charAt(start - 1))
                && file.lines().line(start - 1) >= file.lines().line(removed.start()) - 1) {
            start--;
        }
        return new Range(start, lines.end());
    }

    /** Lines that follow each other go as one. */
    private static void add(SourceFile file, Range line, List<Range> found) {
        boolean follows = !found.isEmpty()
                && file.content().substring(found.get(found.size() - 1).end(), line.start()).matches("\\R?");
        if (follows) {
            found.set(found.size() - 1, new Range(found.get(found.size() - 1).start(), line.end()));
        } else {
            found.add(line);
        }
    }

    private static boolean isReplaced(Range word, List<Edit> edits) {
        return edits.stream().anyMatch(edit -> edit.range().encloses(word));
    }
}
