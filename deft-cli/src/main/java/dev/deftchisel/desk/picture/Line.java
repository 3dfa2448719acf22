package dev.deftchisel.desk.picture;

import java.util.ArrayList;
import java.util.List;

/**
 * A line of text that is drawn in several styles.
 *
 * @param spans one after the other
 */
public record Line(List<Span> spans) {

    /** Nothing. */
    public static final Line EMPTY = new Line(List.of());

    /**
     * Some text in one style.
     *
     * @param text  without line ends
     * @param style how it looks
     */
    public record Span(String text, Style style) {
    }

    /** Copies the list. */
    public Line {
        spans = List.copyOf(spans);
    }

    /** A line in one style. */
    public static Line of(String text, Style style) {
        return new Line(List.of(new Span(text, style)));
    }

    /** A line in one ink. */
    public static Line of(String text, Ink ink) {
        return of(text, Style.of(ink));
    }

    /** The line and more after it. */
    public Line and(String text, Ink ink) {
        return and(text, Style.of(ink));
    }

    /** The line and more after it. */
    public Line and(String text, Style style) {
        List<Span> more = new ArrayList<>(spans);
        more.add(new Span(text, style));
        return new Line(more);
    }

    /** The line and another after it. */
    public Line and(Line other) {
        List<Span> more = new ArrayList<>(spans);
        more.addAll(other.spans());
        return new Line(more);
    }

    /** The characters alone. */
    public String text() {
        StringBuilder text = new StringBuilder();
        spans.forEach(span -> text.append(span.text()));
        return text.toString();
    }

    /** Draws it; what does not fit ends in three dots. */
    public void draw(Pen pen, int row, int column) {
        int at = column;
        for (Span span : spans) {
            String fitting = Widths.fit(span.text(), pen.width() - at);
            at = pen.write(row, at, fitting, span.style());
            if (!fitting.equals(span.text())) {
                return;
            }
        }
    }
}
