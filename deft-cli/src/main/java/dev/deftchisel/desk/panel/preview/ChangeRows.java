package dev.deftchisel.desk.panel.preview;

import dev.deftchisel.Outcome;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.desk.picture.Style;
import dev.deftchisel.desk.picture.Widths;
import dev.deftchisel.source.LineMap;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** A change as rows: each file, under it each edit with what it makes of its lines. */
final class ChangeRows {

    private static final String TAB = "    ";

    private final Function<Path, String> shown;

    /** @param shown a path as it is to be read */
    ChangeRows(Function<Path, String> shown) {
        this.shown = shown;
    }

    /**
     * A row of a change.
     *
     * @param line what is shown
     * @param file which it switches on or off, or whose edit it does
     * @param edit which it switches; empty for all of the file
     * @param isSwitch whether it switches anything
     * @param seen where the part of it is that must be seen, as an index into its text
     */
    record Row(Line line, FileChange file, Optional<Edit> edit, boolean isSwitch, int seen) {

        /** The line, without its beginning where the part that must be seen would not be. */
        Line fitting(int width) {
            boolean fits = line.spans().size() != 1 || Widths.of(line.text()) <= width || seen < width * 2 / 3;
            if (fits) {
                return line;
            }
            String text = line.text();
            int from = text.offsetByCodePoints(0, text.codePointCount(0, Math.max(2, seen - width / 3)));
            return Line.of(text.substring(0, 2) + "\u2026" + text.substring(from), line.spans().get(0).style());
        }
    }

    /** What becomes of the code, where nothing is to be switched. */
    List<Line> plain(Outcome.Preview preview) {
        return of(preview).stream().filter(row -> !row.isSwitch() || row.edit().isEmpty())
                .map(row -> row.isSwitch() ? new Line(row.line().spans().subList(1, row.line().spans().size()))
                        : row.line()).toList();
    }

    /** All rows. */
    List<Row> of(Outcome.Preview preview) {
        List<Row> rows = new ArrayList<>();
        preview.change().files().forEach(file -> file(file, rows));
        return rows;
    }

    private void file(FileChange file, List<Row> rows) {
        Line name = Line.of(mark(file.edits().isEmpty() || file.edits().stream().anyMatch(Edit::isTaken)), Ink.KEY)
                .and(shown.apply(file.path()), Style.of(Ink.PLACE).strongly())
                .and(file.isNew() ? "  new" : file.isGone() ? "  removed" : file.target()
                        .map(to -> " \u2192 " + shown.apply(to))
                        .orElse(""), Ink.PLACE);
        rows.add(new Row(name, file, Optional.empty(), true, 0));
        LineMap lines = LineMap.of(file.before().content());
        List<Edit> together = new ArrayList<>();
        for (Edit edit : file.edits()) {
            boolean isApart = !together.isEmpty()
                    && lines.line(edit.range().start()) > lines.line(together.get(together.size() - 1).range().end());
            if (isApart) {
                edits(file, together, lines, rows);
                together.clear();
            }
            together.add(edit);
        }
        if (!together.isEmpty()) {
            edits(file, together, lines, rows);
        }
    }

    private static String mark(boolean isOn) {
        return isOn ? "[x] " : "[ ] ";
    }

    /** Edits that share lines, then what becomes of these. */
    private void edits(FileChange file, List<Edit> together, LineMap lines, List<Row> rows) {
        for (Edit edit : together) {
            Line line = Line.of("  " + mark(edit.isTaken()), Ink.KEY)
                    .and(lines.position(edit.range().start()) + " ", Ink.QUIET).and(edit.kind().words(), Ink.QUIET);
            rows.add(new Row(line, file, Optional.of(edit), true, 0));
        }
        int start = lines.rangeOf(lines.line(together.get(0).range().start())).start();
        int end = lines.rangeOf(lines.line(together.get(together.size() - 1).range().end())).end();
        List<String> before = file.before().content().substring(start, end).lines().toList();
        List<String> after = after(file.before().content(), together, start, end).lines().toList();
        if (before.equals(after)) {
            // nothing of it is taken: what it is about must be seen all the same
            before.forEach(text -> rows.add(text(" ", text, 0, Ink.QUIET, file)));
            return;
        }
        int same = 0;
        while (same < Math.min(before.size(), after.size()) && before.get(same).equals(after.get(same))) {
            same++;
        }
        int tail = 0;
        while (tail < Math.min(before.size(), after.size()) - same
                && before.get(before.size() - 1 - tail).equals(after.get(after.size() - 1 - tail))) {
            tail++;
        }
        List<String> old = before.subList(same, before.size() - tail);
        List<String> now = after.subList(same, after.size() - tail);
        boolean isPaired = old.size() == now.size();
        for (int i = 0; i < old.size(); i++) {
            rows.add(text("-", old.get(i), isPaired ? differing(old.get(i), now.get(i)) : 0, Ink.REMOVED, file));
        }
        for (int i = 0; i < now.size(); i++) {
            rows.add(text("+", now.get(i), isPaired ? differing(old.get(i), now.get(i)) : 0, Ink.ADDED, file));
        }
    }

    /** Where two lines begin to differ. */
    private static int differing(String one, String other) {
        int at = 0;
        while (at < Math.min(one.length(), other.length()) && one.charAt(at) == other.charAt(at)) {
            at++;
        }
        return at;
    }

    private static Row text(String sign, String text, int seen, Ink ink, FileChange file) {
        return new Row(Line.of(sign + " " + text.replace("\t", TAB), ink), file, Optional.empty(), false, seen + 2);
    }

    private static String after(String content, List<Edit> together, int start, int end) {
        StringBuilder text = new StringBuilder();
        int at = start;
        for (Edit edit : together) {
            if (edit.isTaken()) {
                text.append(content, at, edit.range().start()).append(edit.replacement());
                at = edit.range().end();
            }
        }
        return text.append(content, at, Math.max(at, end)).toString();
    }
}
