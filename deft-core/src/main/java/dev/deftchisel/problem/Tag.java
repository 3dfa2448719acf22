package dev.deftchisel.problem;

import java.util.Locale;

/** What sort of problem a rule looks for. */
public enum Tag {
    /** It does not compile. */
    ERROR(Severity.ERROR, "does not compile"),
    /** It looks right and is not. */
    SUSPICIOUS(Severity.WARNING, "looks right but is probably not"),
    /** Nobody needs it. */
    UNUSED(Severity.WARNING, "is there but not used"),
    /** The code says it, and would do the same without. */
    REDUNDANT(Severity.NOTE, "can be left out"),
    /** The language has a plainer way to say it. */
    IDIOM(Severity.HINT, "can be said in a newer way"),
    /** The project wants it otherwise. */
    STYLE(Severity.NOTE, "is not laid out as the project wants");

    private final Severity usual;
    private final String meaning;

    Tag(Severity usual, String meaning) {
        this.usual = usual;
        this.meaning = meaning;
    }

    /** How much such a problem matters unless something else is said. */
    public Severity usual() {
        return usual;
    }

    /** As people write it, for instance "suspicious". */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** What such code is like, to go on after "code that". */
    public String meaning() {
        return meaning;
    }
}
