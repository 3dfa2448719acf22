package dev.deftchisel.source;

/**
 * A place in a text as people count it.
 *
 * @param line   from 1
 * @param column from 1, counted in characters (code points); a tab counts as one
 */
public record Position(int line, int column) implements Comparable<Position> {

    @Override
    public int compareTo(Position other) {
        return line != other.line ? Integer.compare(line, other.line) : Integer.compare(column, other.column);
    }

    @Override
    public String toString() {
        return line + ":" + column;
    }
}
