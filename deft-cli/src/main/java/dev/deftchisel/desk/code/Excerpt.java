package dev.deftchisel.desk.code;

import dev.deftchisel.desk.picture.Ground;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.desk.picture.Style;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;

/** Some lines of a file, to be looked at. */
public final class Excerpt {

    private static final String TAB = "    ";

    private Excerpt() {
    }

    /**
     * The lines around a range, with numbers; the range is marked.
     *
     * @param before how many lines before it
     * @param most   how many in all
     */
    public static List<Line> around(SourceFile file, Range range, int before, int most) {
        List<Line> lines = new ArrayList<>();
        int here = file.lines().line(Math.min(range.start(), file.content().length()));
        int first = Math.max(1, here - before);
        for (int line = first; line <= Math.min(file.lines().count(), first + most - 1); line++) {
            Line number = Line.of("%5d ".formatted(line), line == here ? Ink.KEY : Ink.QUIET);
            lines.add(number.and(line(file.tokens(), file.lines().rangeOf(line), range)));
        }
        return lines;
    }

    /** One line in the inks of its tokens. */
    private static Line line(Tokens tokens, Range line, Range marked) {
        Line drawn = Line.EMPTY;
        int at = line.start();
        while (at < line.end()) {
            int token = tokens.at(at);
            boolean isMarked = marked.length() > 0 && marked.contains(at);
            int end = Math.min(tokens.end(token), line.end());
            if (!isMarked && marked.start() > at && marked.start() < end) {
                end = marked.start();
            } else if (isMarked) {
                end = Math.min(end, marked.end());
            }
            Style style = Style.of(SyntaxColouring.ink(tokens, token));
            drawn = drawn.and(tokens.content().substring(at, end).replace("\t", TAB), isMarked ? style.on(Ground.USE)
                    : style);
            at = end;
        }
        return drawn;
    }
}
