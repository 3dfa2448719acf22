package dev.deftchisel.desk.picture;

import org.jline.utils.WCWidth;

/** How many columns text takes. */
public final class Widths {

    private static final int CONTROL_PICTURES = 0x2400;

    private Widths() {
    }

    /** The columns of a character: 0 for one that joins the one before, 2 for a wide one. */
    public static int of(int codePoint) {
        // what a terminal would obey, or would turn the order of characters round, is shown as a sign of one column
        // instead
        return isControl(codePoint) ? 1 : Math.max(0, WCWidth.wcwidth(codePoint));
    }

    /** The columns of a text. */
    public static int of(String text) {
        return text.codePoints().map(Widths::of).sum();
    }

    private static boolean isControl(int codePoint) {
        return codePoint < ' ' || codePoint >= 0x7f && codePoint < 0xa0 || codePoint >= 0x202a && codePoint <= 0x202e
                || codePoint >= 0x2066 && codePoint <= 0x2069;
    }

    /** What can be shown of a character. */
    static String shown(int codePoint) {
        if (codePoint < ' ') {
            return Character.toString(CONTROL_PICTURES + codePoint);
        }
        return isControl(codePoint) || Character.getType(codePoint) == Character.SURROGATE ? "\ufffd"
                : Character.toString(codePoint);
    }

    /** The beginning of a text that fits, with three dots where something is left out. */
    public static String fit(String text, int width) {
        if (of(text) <= width) {
            return text;
        }
        StringBuilder fitting = new StringBuilder();
        int at = 0;
        for (int codePoint : text.codePoints().toArray()) {
            if (at + of(codePoint) > width - 1) {
                break;
            }
            fitting.appendCodePoint(codePoint);
            at += of(codePoint);
        }
        return width <= 0 ? "" : fitting.append('\u2026').toString();
    }
}
