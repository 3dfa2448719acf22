package dev.deftchisel.source;

import java.util.Arrays;
import java.util.OptionalInt;

/**
 * Translates between offsets and lines with columns. Lines end as in JLS 3.4: LF, CR, or CR followed by LF.
 */
public final class LineMap {

    private final String content;
    private final int[] starts;

    private LineMap(String content, int[] starts) {
        this.content = content;
        this.starts = starts;
    }

    /** The lines of the content; there is at least one, and a final line end opens one more, empty line. */
    public static LineMap of(String content) {
        int[] starts = new int[Math.max(16, content.length() / 24)];
        int count = 1;
        for (int i = 0; i < content.length(); i++) {
            char c = content.charAt(i);
            boolean ends = c == '\n' || c == '\r' && !(i + 1 < content.length() && content.charAt(i + 1) == '\n');
            if (ends) {
                if (count == starts.length) {
                    starts = Arrays.copyOf(starts, count * 2);
                }
                starts[count++] = i + 1;
            }
        }
        return new LineMap(content, Arrays.copyOf(starts, count));
    }

    /** The number of lines, at least 1. */
    public int count() {
        return starts.length;
    }

    /** The position of an offset from 0 to the length of the content. */
    public Position position(int offset) {
        int found = Arrays.binarySearch(starts, offset);
        int line = found >= 0 ? found : -found - 2;
        return new Position(line + 1, content.codePointCount(starts[line], offset) + 1);
    }

    /** The line, from 1, on which an offset lies. */
    public int line(int offset) {
        int found = Arrays.binarySearch(starts, offset);
        return (found >= 0 ? found : -found - 2) + 1;
    }

    /** The range of a line, from 1, without its line end. */
    public Range rangeOf(int line) {
        int start = starts[line - 1];
        int end = line < starts.length ? starts[line] : content.length();
        while (end > start && (content.charAt(end - 1) == '\n' || content.charAt(end - 1) == '\r')) {
            end--;
        }
        return new Range(start, end);
    }

    /** The text of a line, from 1, without its line end. */
    public String text(int line) {
        Range range = rangeOf(line);
        return content.substring(range.start(), range.end());
    }

    /**
     * The offset of a position.
     *
     * @return empty when there is no such line, or the column lies more than one after the line's last character
     */
    public OptionalInt offset(Position position) {
        if (position.line() < 1 || position.line() > starts.length || position.column() < 1) {
            return OptionalInt.empty();
        }
        Range line = rangeOf(position.line());
        int width = content.codePointCount(line.start(), line.end());
        return position.column() > width + 1
                ? OptionalInt.empty()
                : OptionalInt.of(content.offsetByCodePoints(line.start(), position.column() - 1));
    }
}
