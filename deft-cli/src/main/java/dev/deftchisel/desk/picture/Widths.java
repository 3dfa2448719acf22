package dev.deftchisel.desk.picture;

import org.jline.utils.WCWidth;

/** How many columns text takes. */
public final class Widths {

    private static final int CONTROL_PICTURES = 0x2400;

    private Widths() {
    }

    /** The columns of a character: 0 for one that joins the one before, 2 for a wide one. */
    public static int of(int codePoint) {
        // what a terminal would obey is shown as a picture of one column instead
        return Math.max(codePoint < ' ' || codePoint == 0x7f ? 1 : 0, WCWidth.wcwidth(codePoint));
    }

    /** The columns of a text. */
    public static int of(String text) {
        return text.codePoints().map(Widths::of).sum();
    }

    /** What can be shown of a character. */
    static String shown(int codePoint) {
        if (codePoint < ' ') {
            return Character.toString(CONTROL_PICTURES + codePoint);
        }
        boolean isUnseen = codePoint >= 0x7f && codePoint < 0xa0 || Character.getType(codePoint) == Character.SURROGATE;
        return isUnseen ? "\ufffd" : Character.toString(codePoint);
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
