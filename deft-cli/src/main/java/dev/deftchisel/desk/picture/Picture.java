package dev.deftchisel.desk.picture;

import java.util.Arrays;
import java.util.Optional;

/**
 * What is to be seen: rows of cells. Made anew for each moment; a wide character takes two cells, of which the second
 * is empty.
 */
public final class Picture {

    private static final String BLANK = " ";

    private final int height;
    private final int width;
    private final String[] glyphs;
    private final Style[] styles;
    private Optional<Point> caret = Optional.empty();

    /**
     * A place in the picture.
     *
     * @param row    from 0
     * @param column from 0
     */
    public record Point(int row, int column) {
    }

    /** An empty one; with one cell at least. */
    public Picture(int height, int width) {
        this.height = Math.max(1, height);
        this.width = Math.max(1, width);
        this.glyphs = new String[this.height * this.width];
        this.styles = new Style[this.height * this.width];
        Arrays.fill(glyphs, BLANK);
        Arrays.fill(styles, Style.PLAIN);
    }

    /** In rows. */
    public int height() {
        return height;
    }

    /** In columns. */
    public int width() {
        return width;
    }

    /** All of it. */
    public Area area() {
        return new Area(0, 0, height, width);
    }

    /** Where the terminal shows its caret; empty when it does not. */
    public Optional<Point> caret() {
        return caret;
    }

    void caret(int row, int column) {
        caret = Optional.of(new Point(row, column));
    }

    /** What stands in a cell; empty after a wide character. */
    public String glyph(int row, int column) {
        return glyphs[row * width + column];
    }

    /** How a cell looks. */
    public Style style(int row, int column) {
        return styles[row * width + column];
    }

    void set(int row, int column, String glyph, Style style) {
        int cell = row * width + column;
        if (glyphs[cell].isEmpty() && column > 0) {
            // half of a wide character is none
            glyphs[cell - 1] = BLANK;
        }
        if (column + 1 < width && glyphs[cell + 1].isEmpty() && !glyph.isEmpty()) {
            glyphs[cell + 1] = BLANK;
        }
        glyphs[cell] = glyph;
        styles[cell] = style;
    }

    void join(int row, int column, String mark) {
        glyphs[row * width + column] += mark;
    }

    void style(int row, int column, Style style) {
        styles[row * width + column] = style;
    }

    /** The characters of a row, without blanks at its end. */
    public String row(int row) {
        return String.join("", Arrays.asList(glyphs).subList(row * width, (row + 1) * width)).stripTrailing();
    }

    /** All rows. */
    @Override
    public String toString() {
        StringBuilder text = new StringBuilder();
        for (int row = 0; row < height; row++) {
            text.append(row(row)).append('\n');
        }
        return text.toString();
    }
}
