package dev.deftchisel.cli.console;

/**
 * The colours of the output, from the sixteen that every terminal has, so that they follow its theme. Old and new are
 * told apart by blue and yellow, which people who cannot tell red from green can see.
 */
public final class Palette {

    private final boolean isColored;

    public Palette(boolean isColored) {
        this.isColored = isColored;
    }

    public String strong(String text) {
        return paint("1", text);
    }

    public String quiet(String text) {
        return paint("2", text);
    }

    public String added(String text) {
        return paint("94", text);
    }

    public String removed(String text) {
        return paint("33", text);
    }

    public String key(String text) {
        return paint("1;36", text);
    }

    public String place(String text) {
        return paint("36", text);
    }

    public String error(String text) {
        return paint("1;95", text);
    }

    /** The part of a line that something is about. */
    public String marked(String text) {
        return isColored ? paint("4", text) : "\u00bb" + text + "\u00ab";
    }

    public String refusal(String text) {
        return paint("1;33", text);
    }

    private String paint(String code, String text) {
        return isColored ? "\u001b[" + code + "m" + text + "\u001b[0m" : text;
    }

    public boolean isColored() {
        return isColored;
    }
}
