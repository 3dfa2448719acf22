package dev.deftchisel.desk;

import dev.deftchisel.desk.code.CodeView;
import dev.deftchisel.desk.panel.Panel;
import dev.deftchisel.desk.picture.Area;
import dev.deftchisel.desk.picture.Ground;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.desk.picture.Pen;
import dev.deftchisel.desk.picture.Picture;
import dev.deftchisel.desk.picture.Style;
import dev.deftchisel.desk.picture.Widths;
import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Severity;
import java.util.List;
import java.util.Optional;

/**
 * Where everything is on the screen: the file's name on top, code and panel between, below what is said and what keys
 * do.
 */
final class Screen {

    private static final int BESIDE = 130;
    private static final int EDGE_ROWS = 3;

    private final Picture picture;
    private final Pen pen;

    Screen(int height, int width) {
        this.picture = new Picture(height, width);
        this.pen = new Pen(picture);
    }

    /**
     * What is to be seen.
     *
     * @param shown   name of the file
     * @param message what is said; empty when there is nothing
     * @param isBusy  whether something is being looked at
     * @param hints   what keys do now
     */
    record Content(Buffer buffer, String shown, FileInsight insight, Optional<Panel> panel, String message,
            boolean isBusy,
            List<KeyHints.Said> hints) {
    }

    /** The rows of code that are to be seen beside a panel. */
    static int codeRows(int height, int width, boolean hasPanel) {
        return code(height, width, hasPanel).height();
    }

    private static Area code(int height, int width, boolean hasPanel) {
        Area body = new Area(1, 0, height - EDGE_ROWS, width);
        if (!hasPanel) {
            return body;
        }
        return width >= BESIDE ? body.columns(0, width / 2 - 1) : body.rows(0, body.height() - panelRows(body));
    }

    private static int panelRows(Area body) {
        return Math.max(Math.min(8, body.height()), body.height() * 3 / 5);
    }

    private static Area panel(int height, int width) {
        Area body = new Area(1, 0, height - EDGE_ROWS, width);
        return width >= BESIDE ? body.columns(width / 2, width)
                : body.rows(body.height() - panelRows(body) + 1, body.height());
    }

    Picture draw(Content content) {
        Optional<Panel> panel = content.panel();
        Area code = code(picture.height(), picture.width(), panel.isPresent());
        new CodeView(content.buffer(), content.insight().marks(), content.insight().uses()).draw(pen.in(code));
        panel.ifPresent(one -> {
            Area area = panel(picture.height(), picture.width());
            rule(code, area);
            one.draw(pen.in(area));
        });
        title(content);
        message(content);
        hints(content.hints());
        return picture;
    }

    private void rule(Area code, Area panel) {
        if (panel.column() > 0) {
            for (int row = 0; row < panel.height(); row++) {
                pen.write(panel.row() + row, panel.column() - 1, "\u2502", Style.of(Ink.QUIET));
            }
        } else {
            pen.write(code.row() + code.height(), 0, "\u2500".repeat(picture.width()), Style.of(Ink.QUIET));
        }
    }

    private void title(Content content) {
        Style bar = Style.PLAIN.on(Ground.BAR);
        pen.clear(0, bar);
        Buffer buffer = content.buffer();
        String position = buffer.draft().lines().position(buffer.draft().caret().head()).toString();
        String carets = buffer.draft().carets().size() > 1 ? "  " + buffer.draft().carets().size() + " carets" : "";
        Line name = Line.of(" " + content.shown(), bar.strongly())
                .and(buffer.isDirty() ? " \u25cf not saved" : "", bar.in(Ink.WARNING))
                .and("  " + position + carets, bar).and(content.insight().symbol().map(symbol -> "  " + symbol)
                        .orElse(""),
                bar.in(Ink.PLACE));
        Line counts = counts(content, bar);
        int width = Widths.of(counts.text());
        name.draw(pen.in(new Area(0, 0, 1, picture.width() - width - 1)), 0, 0);
        counts.draw(pen, 0, picture.width() - width - 1);
    }

    private static Line counts(Content content, Style bar) {
        Line line = Line.EMPTY;
        for (Severity severity : List.of(Severity.ERROR, Severity.WARNING, Severity.NOTE)) {
            long count = content.insight().marks().stream().filter(mark -> mark.problem().severity() == severity)
                    .count();
            line = count == 0 ? line : line.and(" " + CodeView.sign(severity) + count, bar.in(CodeView.ink(severity))
                    .strongly());
        }
        return line;
    }

    private void message(Content content) {
        int row = picture.height() - 2;
        Line said = Line.of(content.message(), Style.PLAIN.strongly());
        if (content.message().isEmpty() && content.panel().isPresent()) {
            said = Line.of(content.panel().flatMap(Panel::about).orElse(""), Ink.QUIET);
        } else if (content.message().isEmpty()) {
            Optional<Problem> problem = content.insight().here(content.buffer().draft());
            said = problem.map(one -> Line.of(CodeView.sign(one.severity()) + " ", CodeView.ink(one.severity()))
                    .and(one.sentence(), Ink.PLAIN).and("  " + one.rule(), Ink.QUIET)).orElse(Line.EMPTY);
        }
        said.draw(pen.in(new Area(row, 0, 1, picture.width() - 2)), 0, 1);
        if (content.isBusy()) {
            pen.write(row, picture.width() - 2, "\u2026", Style.of(Ink.KEY));
        }
    }

    private void hints(List<KeyHints.Said> hints) {
        int row = picture.height() - 1;
        Style bar = Style.PLAIN.on(Ground.BAR);
        pen.clear(row, bar);
        int column = 1;
        for (KeyHints.Said hint : hints) {
            int width = Widths.of(hint.keys()) + 1 + Widths.of(hint.words());
            if (column + width < picture.width()) {
                column = pen.write(row, column, hint.keys(), bar.in(Ink.KEY).strongly());
                column = pen.write(row, column + 1, hint.words(), bar) + 2;
            }
        }
    }
}
