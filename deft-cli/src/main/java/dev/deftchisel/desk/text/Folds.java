package dev.deftchisel.desk.text;

import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;

/**
 * What of a text is folded away: of each of these stretches only the first line is to be seen.
 *
 * @param ranges from a place in the line that is seen to a place in the last one that is hidden
 */
public record Folds(List<Range> ranges) {

    /** Everything is to be seen. */
    public static final Folds NONE = new Folds(List.of());

    /** Copies the list. */
    public Folds {
        ranges = List.copyOf(ranges);
    }

    /** With one more. */
    public Folds and(Range fold) {
        List<Range> more = new ArrayList<>(ranges);
        more.add(fold);
        return new Folds(more);
    }

    /** Without those that begin in a line. */
    public Folds without(LineMap lines, int line) {
        return new Folds(ranges.stream().filter(fold -> lines.line(fold.start()) != line).toList());
    }

    /** Without those that hide a line. */
    public Folds showing(LineMap lines, int line) {
        return new Folds(ranges.stream().filter(fold -> !hides(fold, lines, line)).toList());
    }

    private static boolean hides(Range fold, LineMap lines, int line) {
        return lines.line(fold.start()) < line && line <= lines.line(fold.end());
    }

    /** Whether a line is not to be seen. */
    public boolean isHidden(LineMap lines, int line) {
        return ranges.stream().anyMatch(fold -> hides(fold, lines, line));
    }

    /** How many lines are hidden behind one that is seen; 0 when nothing is folded there. */
    public int hiddenBehind(LineMap lines, int line) {
        return ranges.stream().filter(fold -> lines.line(fold.start()) == line)
                .mapToInt(fold -> lines.line(fold.end()) - line).max().orElse(0);
    }

    /** The line that is seen so many lines further, or the last one there is; counted backwards when below 0. */
    public int step(LineMap lines, int from, int by) {
        int line = from;
        for (int left = Math.abs(by); left > 0; left--) {
            int next = line;
            do {
                next += Integer.signum(by);
            } while (next >= 1 && next <= lines.count() && isHidden(lines, next));
            if (next < 1 || next > lines.count()) {
                return line;
            }
            line = next;
        }
        return line;
    }

    /** After an edit; what was edited within is to be seen again. */
    Folds after(TextDifference edit) {
        Range touched = new Range(edit.start(), edit.start() + edit.removed().length());
        return new Folds(ranges.stream().filter(fold -> touched.end() < fold.start() || touched.start() > fold.end())
                .map(edit::after).toList());
    }
}
