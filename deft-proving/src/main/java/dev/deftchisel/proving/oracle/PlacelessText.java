package dev.deftchisel.proving.oracle;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * The text of a class without what only says in which other class or file it stands, or from where it and its members
 * may be used.
 */
final class PlacelessText {

    private static final Pattern OF_PLACE = Pattern.compile(
            "(?m)^ *(?:[a-z]+ )*(?:INNERCLASS|NESTHOST|NESTMEMBER|OUTERCLASS|// compiled from|// access flags"
            + "|// declaration).*\\R");
    private static final Pattern ACCESS = Pattern.compile("(?m)^( *)(?:public |protected |private )");
    /** Of a class, the outermost one is asked whether assertions are on (JLS 14.10). */
    private static final Pattern ASSERTIONS = Pattern.compile(
            "LDC L[^;]+;\\.class(\\s+INVOKEVIRTUAL java/lang/Class\\.desiredAssertionStatus)");
    private static final String SWITCH_TABLE = "$SwitchMap$";

    private PlacelessText() {
    }

    /** Whether a class is only the tables that the compiler makes for switches, one for each outermost class. */
    static boolean isMadeUp(byte[] bytes) {
        return new String(bytes, StandardCharsets.ISO_8859_1).contains(SWITCH_TABLE)
                && ClassText.of(bytes, ClassIndex.of(List.of(bytes)), List.of())
                .contains("static final synthetic [I " + SWITCH_TABLE);
    }

    /**
     * What is left of a text; a method that switches on constants of enums has other numbers for them elsewhere, and is
     * left out.
     */
    static String of(String text) {
        String plain = OF_PLACE.matcher(text).replaceAll("");
        plain = ACCESS.matcher(plain).replaceAll("$1");
        plain = ASSERTIONS.matcher(plain).replaceAll("LDC #$1");
        // within a class private methods are called without looking for overrides, which there are none of
        plain = plain.replaceAll("INVOKESPECIAL ([\\w/$]+\\.(?!<init>))", "INVOKEVIRTUAL $1");
        return Arrays.stream(plain.split("\\R\\s*\\R")).filter(member -> !member.contains(SWITCH_TABLE))
                .collect(Collectors.joining("\n\n"));
    }
}
