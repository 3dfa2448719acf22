package dev.deftchisel.cli;

/**
 * The colours of the output, from the sixteen that every terminal has, so that they follow its theme. Old and new are
 * told apart by blue and yellow, which people who cannot tell red from green can see.
 */
final class Palette {

    private final boolean isColored;

    Palette(boolean isColored) {
        this.isColored = isColored;
    }

    String strong(String text) {
        return paint("1", text);
    }

    String quiet(String text) {
        return paint("2", text);
    }

    String added(String text) {
        return paint("94", text);
    }

    String removed(String text) {
        return paint("33", text);
    }

    String key(String text) {
        return paint("1;36", text);
    }

    String place(String text) {
        return paint("36", text);
    }

    String error(String text) {
        return paint("1;95", text);
    }

    /** The part of a line that something is about. */
    String marked(String text) {
        return isColored ? paint("4", text) : "\u00bb" + text + "\u00ab";
    }

    String refusal(String text) {
        return paint("1;33", text);
    }

    private String paint(String code, String text) {
        return isColored ? "\u001b[" + code + "m" + text + "\u001b[0m" : text;
    }

    boolean isColored() {
        return isColored;
    }
}
