package dev.deftchisel.problem;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How much a problem matters, the more the later. */
public enum Severity {
    /** Not looked for. */
    OFF,
    /** Something could be said in a newer or plainer way. */
    HINT,
    /** Something is not needed. */
    NOTE,
    /** Something is probably not what it should be. */
    WARNING,
    /** The code does not compile, or must not stay as it is. */
    ERROR;

    /** As people write it, for instance "warning". */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The severity that a word names, in whatever case. */
    public static Optional<Severity> of(String word) {
        return Arrays.stream(values()).filter(severity -> severity.word().equalsIgnoreCase(word.strip())).findFirst();
    }
}
