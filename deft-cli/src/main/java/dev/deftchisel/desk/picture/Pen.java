package dev.deftchisel.desk.picture;

import java.util.function.UnaryOperator;

/** Writes into a part of a picture, and never beside it. Rows and columns count from the corner of the part. */
public final class Pen {

    private final Picture picture;
    private final Area area;

    /** For all of a picture. */
    public Pen(Picture picture) {
        this(picture, picture.area());
    }

    private Pen(Picture picture, Area area) {
        this.picture = picture;
        this.area = area;
    }

    /** For a part of it; the area counts from the corner of the picture. */
    public Pen in(Area part) {
        return new Pen(picture, part);
    }

    /** Where it writes. */
    public Area area() {
        return area;
    }

    /** In rows. */
    public int height() {
        return area.height();
    }

    /** In columns. */
    public int width() {
        return area.width();
    }

    /**
     * Writes text from a column on; what does not fit is not seen.
     *
     * @return the column after it
     */
    public int write(int row, int column, String text, Style style) {
        int at = column;
        for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
            at += put(row, at, text.codePointAt(i), style);
        }
        return at;
    }

    /**
     * Writes one character.
     *
     * @return the number of columns it takes
     */
    public int put(int row, int column, int codePoint, Style style) {
        int wide = Widths.of(codePoint);
        int y = area.row() + row;
        int x = area.column() + column;
        if (isInside(row, column) && column + wide <= area.width() && x + wide <= picture.width()) {
            if (wide == 0 && column > 0) {
                int base = picture.glyph(y, x - 1).isEmpty() && x > 1 ? x - 2 : x - 1;
                picture.join(y, base, Character.toString(codePoint));
            } else if (wide > 0) {
                picture.set(y, x, Widths.shown(codePoint), style);
                if (wide == 2) {
                    picture.set(y, x + 1, "", style);
                }
            }
        }
        return wide;
    }

    /** A screen may be so small that an area lies outside of it. */
    private boolean isInside(int row, int column) {
        int y = area.row() + row;
        int x = area.column() + column;
        return row >= 0 && row < area.height() && column >= 0 && column < area.width()
                && y >= 0 && y < picture.height() && x >= 0 && x < picture.width();
    }

    /** Changes how some cells look. */
    public void restyle(int row, int column, int count, UnaryOperator<Style> change) {
        for (int at = Math.max(0, column); at < Math.min(area.width(), column + count); at++) {
            if (isInside(row, at)) {
                int y = area.row() + row;
                int x = area.column() + at;
                picture.style(y, x, change.apply(picture.style(y, x)));
            }
        }
    }

    /** Makes a row empty on a ground. */
    public void clear(int row, Style style) {
        for (int column = 0; column < area.width(); column++) {
            put(row, column, ' ', style);
        }
    }

    /** Makes all of the part empty. */
    public void clear() {
        for (int row = 0; row < area.height(); row++) {
            clear(row, Style.PLAIN);
        }
    }

    /** Has the terminal show its caret there. */
    public void caret(int row, int column) {
        if (isInside(row, column)) {
            picture.caret(area.row() + row, area.column() + column);
        }
    }
}
