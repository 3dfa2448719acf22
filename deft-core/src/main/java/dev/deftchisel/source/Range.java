package dev.deftchisel.source;

/**
 * A stretch of text by offsets in UTF-16 units.
 *
 * @param start first offset, from 0
 * @param end   offset after the last one; equal to {@code start} for an empty range
 */
public record Range(int start, int end) implements Comparable<Range> {

    /** @throws IllegalArgumentException unless {@code 0 <= start <= end} */
    public Range {
        if (start < 0 || end < start) {
            throw new IllegalArgumentException("not a range: " + start + ".." + end);
        }
    }

    /** The number of UTF-16 units covered. */
    public int length() {
        return end - start;
    }

    /** Whether the offset is one of those covered; the end is not. */
    public boolean contains(int offset) {
        return start <= offset && offset < end;
    }

    /** Whether the caret stands in or at either edge of this range. */
    public boolean touches(int caret) {
        return start <= caret && caret <= end;
    }

    /** Whether the whole of the other range lies within this one. */
    public boolean encloses(Range other) {
        return start <= other.start && other.end <= end;
    }

    /** Whether both ranges have a unit in common. */
    public boolean overlaps(Range other) {
        return start < other.end && other.start < end;
    }

    @Override
    public int compareTo(Range other) {
        return start != other.start ? Integer.compare(start, other.start) : Integer.compare(end, other.end);
    }
}
