package dev.deftchisel.desk.code;

import dev.deftchisel.desk.picture.Ground;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Pen;
import dev.deftchisel.desk.picture.Style;
import dev.deftchisel.desk.picture.Widths;
import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.desk.text.Caret;
import dev.deftchisel.desk.text.Draft;
import dev.deftchisel.desk.text.Folds;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Draws a file: numbers, code, what is wrong at which line and, at the right edge, where in the file. */
public final class CodeView {

    private static final int TAB = 4;
    private static final int MARGIN_LINES = 3;
    private static final int MARGIN_COLUMNS = 8;
    private static final int MARK_COLUMNS = 2;

    private final Buffer buffer;
    private final Draft draft;
    private final List<Mark> marks;
    private final List<Use> uses;

    /**
     * A place of the symbol at the caret.
     *
     * @param range     where
     * @param isWritten whether it is written or declared there
     */
    public record Use(Range range, boolean isWritten) {
    }

    /**
     * A view of a file.
     *
     * @param marks what is wrong in it
     * @param uses  of what is at the caret
     */
    public CodeView(Buffer buffer, List<Mark> marks, List<Use> uses) {
        this.buffer = buffer;
        this.draft = buffer.draft();
        this.marks = marks;
        this.uses = uses;
    }

    /** The sign of a severity at a line. */
    public static String sign(Severity severity) {
        return switch (severity) {
            case ERROR -> "\u2716";
            case WARNING -> "\u25b2";
            case NOTE -> "\u25c6";
            case HINT, OFF -> "\u00b7";
        };
    }

    /** The ink of a severity. */
    public static Ink ink(Severity severity) {
        return switch (severity) {
            case ERROR -> Ink.ERROR;
            case WARNING -> Ink.WARNING;
            case NOTE -> Ink.NOTE;
            case HINT, OFF -> Ink.HINT;
        };
    }

    /** Draws it, scrolled so that the caret is to be seen. */
    public void draw(Pen pen) {
        int numbers = Math.max(3, String.valueOf(draft.lines().count()).length());
        int gutter = MARK_COLUMNS + numbers + 1;
        Pen code = pen.in(pen.area().columns(gutter, pen.width() - gutter - 1));
        scroll(code.height(), code.width());
        Map<Integer, Severity> worst = worst();
        int last = 0;
        for (int row = 0; row < pen.height(); row++) {
            int line = row == 0 ? buffer.top() : buffer.folds().step(draft.lines(), last, 1);
            if (line != last) {
                last = line;
                boolean isHere = line == draft.line();
                String number = ("%" + numbers + "d").formatted(line);
                pen.write(row, MARK_COLUMNS, number, isHere ? Style.of(Ink.KEY).strongly() : Style.of(Ink.QUIET));
                int at = row;
                Optional.ofNullable(worst.get(line)).ifPresent(severity ->
                        pen.write(at, 0, sign(severity), Style.of(ink(severity)).strongly()));
                line(code, row, line);
            }
        }
        overview(pen, worst);
    }

    private void scroll(int height, int width) {
        Folds folds = buffer.folds();
        int line = draft.line();
        int top = buffer.top();
        int margin = Math.min(MARGIN_LINES, Math.max(0, (height - 1) / 2));
        if (line < top + margin) {
            top = folds.step(draft.lines(), line, -margin);
        } else if (line > folds.step(draft.lines(), top, height - 1 - margin)) {
            int lowest = folds.step(draft.lines(), draft.lines().count(), 1 - height);
            top = Math.min(folds.step(draft.lines(), line, margin + 1 - height), lowest);
        }
        boolean isFar = line < buffer.top() - height || line > buffer.top() + 2 * height;
        if (isFar) {
            top = folds.step(draft.lines(), line, -height / 3);
        }
        boolean isOverLines = draft.lines().line(draft.caret().anchor()) != line;
        // of several selected lines their beginnings say most
        int column = isOverLines ? 0 : column(draft.caret().head());
        int left = buffer.left();
        if (column < left + MARGIN_COLUMNS) {
            left = Math.max(0, column - MARGIN_COLUMNS);
        }
        if (column > left + width - MARGIN_COLUMNS) {
            left = column - width + MARGIN_COLUMNS;
        }
        buffer.scroll(top, column < width - 1 && left > 0 && column < left + MARGIN_COLUMNS ? 0 : left);
    }

    /** The column of an offset as it is drawn. */
    private int column(int offset) {
        Range line = draft.lines().rangeOf(draft.lines().line(offset));
        int column = 0;
        for (int at = line.start(); at < Math.min(offset, line.end()); at += Character.charCount(draft.content()
                .codePointAt(at))) {
            column += width(draft.content().codePointAt(at), column);
        }
        return column;
    }

    private static int width(int codePoint, int column) {
        return codePoint == '\t' ? TAB - column % TAB : Widths.of(codePoint);
    }

    private void line(Pen pen, int row, int number) {
        Range line = draft.lines().rangeOf(number);
        Tokens tokens = draft.tokens();
        List<Mark> here = marks.stream().filter(mark -> mark.range().start() <= line.end() && mark.range()
                .end() >= line.start()).toList();
        int column = -buffer.left();
        int token = line.length() == 0 ? 0 : tokens.at(line.start());
        for (int at = line.start(); at < line.end() && column < pen.width();) {
            while (tokens.end(token) <= at) {
                token++;
            }
            int codePoint = draft.content().codePointAt(at);
            int wide = width(codePoint, column + buffer.left());
            Style style = style(tokens, token, at, here);
            if (codePoint == '\t') {
                pen.write(row, column, " ".repeat(wide), style);
            } else {
                pen.put(row, column, codePoint, style);
            }
            column += wide;
            at += Character.charCount(codePoint);
        }
        if (buffer.left() > 0 && line.length() > 0) {
            pen.write(row, 0, "\u2039", Style.of(Ink.KEY));
        }
        if (column > pen.width()) {
            pen.write(row, pen.width() - 1, "\u203a", Style.of(Ink.KEY));
        }
        int hidden = buffer.folds().hiddenBehind(draft.lines(), number);
        if (hidden > 0) {
            pen.write(row, column + 1, "\u2026 " + hidden + (hidden == 1 ? " line" : " lines"), Style.of(Ink.KEY));
        }
        carets(pen, row, line);
    }

    private Style style(Tokens tokens, int token, int at, List<Mark> here) {
        boolean isUnused = here.stream().anyMatch(mark -> mark.problem().tag() == Tag.UNUSED && mark.range()
                .contains(at));
        Style style = Style.of(isUnused ? Ink.UNUSED : SyntaxColouring.ink(tokens, token));
        boolean isWrong = here.stream().anyMatch(mark -> mark.problem().severity().compareTo(Severity.WARNING) >= 0
                && mark.range().contains(at));
        if (isWrong) {
            style = style.underlining();
        }
        Optional<Use> use = uses.stream().filter(one -> one.range().contains(at)).findFirst();
        if (use.isPresent()) {
            style = style.on(use.get().isWritten() ? Ground.WRITTEN : Ground.USE);
        }
        boolean isSelected = draft.carets().stream().anyMatch(caret -> caret.range().contains(at));
        return isSelected ? style.on(Ground.SELECTED) : style;
    }

    private void carets(Pen pen, int row, Range line) {
        for (Caret caret : draft.carets()) {
            if (caret.head() >= line.start() && caret.head() <= line.end()) {
                int column = column(caret.head()) - buffer.left();
                if (caret.equals(draft.caret())) {
                    pen.caret(row, column);
                } else {
                    pen.restyle(row, column, 1, style -> style.on(Ground.CARET));
                }
            }
        }
    }

    /** The severity to show at each line that has a problem. */
    private Map<Integer, Severity> worst() {
        Map<Integer, Severity> worst = new HashMap<>();
        marks.forEach(mark -> worst.merge(draft.lines().line(Math.min(mark.range().start(), draft.content().length())),
                mark.problem().severity(), (one, other) -> one.compareTo(other) >= 0 ? one : other));
        return worst;
    }

    /** All of the file in one narrow column: where problems are, and which part of it is shown. */
    private void overview(Pen pen, Map<Integer, Severity> worst) {
        int count = draft.lines().count();
        int column = pen.width() - 1;
        for (int row = 0; row < pen.height(); row++) {
            int from = count <= pen.height() ? buffer.top() + row : 1 + (int) ((long) row * count / pen.height());
            int to = count <= pen.height() ? from : Math.max(from, (int) ((long) (row + 1) * count / pen.height()));
            boolean isShown = count > pen.height() && to >= buffer.top() && from < buffer.top() + pen.height();
            Optional<Severity> severity = worst.entrySet().stream()
                    .filter(one -> one.getKey() >= from && one.getKey() <= to)
                    .map(Map.Entry::getValue).max(Comparator.naturalOrder());
            pen.write(row, column, severity.isPresent() ? "\u25a0" : isShown ? "\u2590" : " ",
                    Style.of(severity.map(CodeView::ink).orElse(Ink.QUIET)));
        }
    }
}
