package dev.deftchisel.rename;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Names of accessors (JavaBeans 1.01, 8.3). */
final class Accessors {

    private static final Pattern NAME = Pattern.compile("(?:get|set|is)(\\P{Ll}.*)");

    private Accessors() {
    }

    /** The property that a method of this name reads or writes, as expressions name it; empty for any other name. */
    static Optional<String> property(String method) {
        Matcher matcher = NAME.matcher(method);
        if (!matcher.matches()) {
            return Optional.empty();
        }
        String rest = matcher.group(1);
        boolean isWord = rest.length() > 1 && Character.isUpperCase(rest.charAt(0)) && Character.isUpperCase(rest.charAt(1));
        return Optional.of(isWord ? rest : Character.toLowerCase(rest.charAt(0)) + rest.substring(1));
    }
}
