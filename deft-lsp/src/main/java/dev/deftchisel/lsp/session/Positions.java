package dev.deftchisel.lsp.session;

import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import org.eclipse.lsp4j.Position;

/** Offsets of one text as the protocol writes them, and back. */
public final class Positions {

    private final String content;
    private final LineMap lines;
    private final PositionEncoding units;

    /**
     * @param content of which the lines are
     * @param units   in which columns are counted
     */
    Positions(String content, LineMap lines, PositionEncoding units) {
        this.content = content;
        this.lines = lines;
        this.units = units;
    }

    public static Positions of(String content, PositionEncoding units) {
        return new Positions(content, LineMap.of(content), units);
    }

    /** Where an offset is. */
    public Position at(int offset) {
        int line = lines.line(offset);
        Range range = lines.rangeOf(line);
        return new Position(line - 1, units.count(content.substring(range.start(), Math.min(offset, range.end())),
                offset - range.start()));
    }

    public org.eclipse.lsp4j.Range of(Range range) {
        return new org.eclipse.lsp4j.Range(at(range.start()), at(range.end()));
    }

    /**
     * The offset of a position; the end of the line, or of the text, where it lies after that (LSP 3.17, Position).
     */
    public int offset(Position position) {
        if (position.getLine() < 0) {
            return 0;
        } else if (position.getLine() >= lines.count()) {
            return content.length();
        }
        Range range = lines.rangeOf(position.getLine() + 1);
        String line = content.substring(range.start(), range.end());
        return range.start() + units.chars(line, Math.max(0, position.getCharacter()));
    }

    /** A range, whose end never lies before its start. */
    public Range range(org.eclipse.lsp4j.Range range) {
        int start = offset(range.getStart());
        return new Range(start, Math.max(start, offset(range.getEnd())));
    }
}
