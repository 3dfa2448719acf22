package dev.deftchisel.desk.picture;

/**
 * How a cell looks.
 *
 * @param ink        what the character is
 * @param ground     the background
 * @param strong     whether it stands out
 * @param underlined whether it is underlined
 */
public record Style(Ink ink, Ground ground, boolean strong, boolean underlined) {

    /** As most of the text. */
    public static final Style PLAIN = of(Ink.PLAIN);

    /** An ink on nothing. */
    public static Style of(Ink ink) {
        return new Style(ink, Ground.NONE, false, false);
    }

    /** The same on another ground. */
    public Style on(Ground other) {
        return new Style(ink, other, strong, underlined);
    }

    /** The same in another ink. */
    public Style in(Ink other) {
        return new Style(other, ground, strong, underlined);
    }

    /** The same, standing out. */
    public Style strongly() {
        return new Style(ink, ground, true, underlined);
    }

    /** The same, underlined. */
    public Style underlining() {
        return new Style(ink, ground, strong, true);
    }
}
