package dev.deftchisel.desk.terminal;

import dev.deftchisel.desk.picture.Ground;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Style;
import org.jline.utils.AttributedStyle;

/**
 * Inks and grounds as colours, for a dark and a light screen. Old and new, and what is worse or better, differ in more
 * than red and green. With sixteen colours or none, grounds become reversed or underlined text.
 */
public final class Colours {

    /** How many colours a terminal has. */
    public enum Depth { NONE, SIXTEEN, MANY, TRUE }

    private static final int LIGHT_TEXT = 0x20262e;
    private static final int DARK_TEXT = 0xdde3ea;

    private final Depth depth;
    private final boolean isLight;

    /**
     * Colours of a terminal.
     *
     * @param isLight whether its ground is
     */
    public Colours(Depth depth, boolean isLight) {
        this.depth = depth;
        this.isLight = isLight;
    }

    Depth depth() {
        return depth;
    }

    AttributedStyle style(Style style) {
        AttributedStyle drawn = AttributedStyle.DEFAULT;
        drawn = style.strong() ? drawn.bold() : drawn;
        drawn = style.underlined() ? drawn.underline() : drawn;
        return depth == Depth.NONE || depth == Depth.SIXTEEN ? few(style, drawn) : many(style, drawn);
    }

    private AttributedStyle few(Style style, AttributedStyle drawn) {
        boolean isReversed = switch (style.ground()) {
            case BAR, HERE, SELECTED, CARET -> true;
            case NONE, USE, WRITTEN -> false;
        };
        if (isReversed) {
            // reversed, an ink would become a ground of its own
            return drawn.inverse();
        }
        AttributedStyle marked = style.ground() == Ground.NONE ? drawn : drawn.underline();
        if (depth == Depth.NONE) {
            if (isQuiet(style.ink())) {
                return marked.faint();
            }
            return isLoud(style.ink()) ? marked.bold() : marked;
        }
        int colour = sixteen(style.ink());
        return colour < 0 ? marked : marked.foreground(colour);
    }

    private static boolean isQuiet(Ink ink) {
        return ink == Ink.QUIET || ink == Ink.UNUSED || ink == Ink.COMMENT;
    }

    private static boolean isLoud(Ink ink) {
        return ink == Ink.KEYWORD || ink == Ink.ERROR || ink == Ink.WARNING || ink == Ink.KEY || ink == Ink.ADDED;
    }

    /** One of the colours that every terminal has, so that they follow its theme; -1 for its own. */
    private int sixteen(Ink ink) {
        int bright = isLight ? 0 : AttributedStyle.BRIGHT;
        return switch (ink) {
            case PLAIN, CALL -> -1;
            case QUIET, UNUSED, HINT -> AttributedStyle.BLACK + AttributedStyle.BRIGHT;
            case KEYWORD, ADDED, PLACE -> AttributedStyle.BLUE + bright;
            case LITERAL -> AttributedStyle.GREEN;
            case NUMBER, ANNOTATION -> AttributedStyle.MAGENTA + bright;
            case COMMENT, NOTE, KEY -> AttributedStyle.CYAN;
            case TYPE, WARNING, REMOVED -> AttributedStyle.YELLOW;
            case ERROR -> AttributedStyle.RED + bright;
        };
    }

    private AttributedStyle many(Style style, AttributedStyle drawn) {
        int ink = isLight ? light(style.ink()) : dark(style.ink());
        int ground = isLight ? light(style.ground()) : dark(style.ground());
        if (ink < 0 && ground >= 0) {
            // on a ground of ours also the text must be, for when the terminal's own ground is not what it is taken for
            ink = isLight ? LIGHT_TEXT : DARK_TEXT;
        }
        AttributedStyle inked = ink < 0 ? drawn : drawn.foreground(ink >> 16 & 0xff, ink >> 8 & 0xff, ink & 0xff);
        if (style.ground() == Ground.CARET) {
            return inked.inverse();
        }
        return ground < 0 ? inked : inked.background(ground >> 16 & 0xff, ground >> 8 & 0xff, ground & 0xff);
    }

    private static int dark(Ink ink) {
        return switch (ink) {
            case PLAIN -> -1;
            case QUIET -> 0x808b98;
            case UNUSED -> 0x6b7684;
            case KEYWORD -> 0x8fb8de;
            case LITERAL -> 0xb5c98a;
            case NUMBER -> 0xd0a8d8;
            case COMMENT -> 0x7fa099;
            case TYPE -> 0xe0c48f;
            case CALL -> 0xa7d0cf;
            case ANNOTATION -> 0xc9a26d;
            case ERROR -> 0xf2857b;
            case WARNING -> 0xe8b04b;
            case NOTE -> 0x7cc0e8;
            case HINT -> 0x8a93a0;
            case KEY -> 0x66d0c3;
            case PLACE -> 0x9cc3ef;
            case ADDED -> 0x86b6f5;
            case REMOVED -> 0xd8a657;
        };
    }

    private static int light(Ink ink) {
        return switch (ink) {
            case PLAIN -> -1;
            case QUIET -> 0x6b7280;
            case UNUSED -> 0x8b93a0;
            case KEYWORD -> 0x1f5f99;
            case LITERAL -> 0x4c7014;
            case NUMBER -> 0x7c3a8c;
            case COMMENT -> 0x4f7a70;
            case TYPE -> 0x805b10;
            case CALL -> 0x0f6566;
            case ANNOTATION -> 0x8a5a14;
            case ERROR -> 0xb3261e;
            case WARNING -> 0x9a6200;
            case NOTE -> 0x1768a0;
            case HINT -> 0x747b86;
            case KEY -> 0x006e63;
            case PLACE -> 0x2a5d9f;
            case ADDED -> 0x1d55c0;
            case REMOVED -> 0x946200;
        };
    }

    private static int dark(Ground ground) {
        return switch (ground) {
            case NONE, CARET -> -1;
            case BAR -> 0x2b3340;
            case HERE -> 0x323d4d;
            case SELECTED -> 0x3d5a80;
            case USE -> 0x35452f;
            case WRITTEN -> 0x574631;
        };
    }

    private static int light(Ground ground) {
        return switch (ground) {
            case NONE, CARET -> -1;
            case BAR -> 0xe3e8ef;
            case HERE -> 0xd6e0ee;
            case SELECTED -> 0xb7d3f5;
            case USE -> 0xe4efc9;
            case WRITTEN -> 0xf7e3bf;
        };
    }
}
