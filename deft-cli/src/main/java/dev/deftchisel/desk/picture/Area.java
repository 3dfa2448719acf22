package dev.deftchisel.desk.picture;

/**
 * A part of a picture.
 *
 * @param row    the first, from 0
 * @param column the first, from 0
 * @param height in rows, at least 0
 * @param width  in columns, at least 0
 */
public record Area(int row, int column, int height, int width) {

    /** Nothing is smaller than nothing. */
    public Area {
        height = Math.max(0, height);
        width = Math.max(0, width);
    }

    /** Some rows of it. */
    public Area rows(int from, int count) {
        return new Area(row + from, column, Math.min(count, height - from), width);
    }

    /** Some columns of it. */
    public Area columns(int from, int count) {
        return new Area(row, column + from, height, Math.min(count, width - from));
    }
}
