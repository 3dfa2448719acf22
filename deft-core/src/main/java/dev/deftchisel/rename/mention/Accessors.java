package dev.deftchisel.rename.mention;

import dev.deftchisel.external.NamedElement;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Names of accessors (JavaBeans 1.01, 8.3). */
public final class Accessors {

    private static final Pattern NAME = Pattern.compile("(?:get|set|is)(\\P{Ll}.*)");

    private Accessors() {
    }

    /** The property that a method of this name reads or writes, as expressions name it; empty for any other name. */
    static Optional<String> property(String method) {
        Matcher matcher = NAME.matcher(method);
        return matcher.matches() ? Optional.of(NamedElement.decapitalised(matcher.group(1))) : Optional.empty();
    }
}
