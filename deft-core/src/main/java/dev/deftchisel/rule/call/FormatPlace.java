package dev.deftchisel.rule.call;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.lang.model.type.TypeMirror;

/**
 * A place in a format that an argument is written to (java.util.Formatter, "Format String Syntax").
 *
 * @param start      offset in the format
 * @param text       the whole place, from its percent sign on
 * @param argument   which argument, counted from 0; -1 where it takes none
 * @param isPrecise  whether it says how many digits
 * @param conversion its letter
 * @param isTime     whether the letter is of a part of a time
 */
record FormatPlace(int start, String text, int argument, boolean isPrecise, char conversion, boolean isTime) {

    private static final Pattern PLACE = Pattern
            .compile("%(\\d+\\$)?([-#+ 0,(<]*)?(\\d+)?(\\.\\d+)?([tT])?([a-zA-Z%])");
    private static final Set<String> WHOLE = Set.of("java.lang.Byte", "java.lang.Short", "java.lang.Integer",
            "java.lang.Long",
            "java.math.BigInteger");
    private static final Set<String> FRACTIONS = Set.of("java.lang.Float", "java.lang.Double", "java.math.BigDecimal");
    private static final Set<String> LETTERS = Set.of("java.lang.Character", "java.lang.Byte", "java.lang.Short",
            "java.lang.Integer");
    /** Of these every value has exactly the type that the compiler knows, or is null. */
    private static final Set<String> KNOWN = Set.of("java.lang.String", "java.lang.Boolean", "java.lang.Character",
            "java.lang.Byte",
            "java.lang.Short", "java.lang.Integer", "java.lang.Long", "java.lang.Float", "java.lang.Double",
            "java.math.BigDecimal",
            "java.math.BigInteger");

    /** The places of a format; empty where a percent sign begins none. */
    static Optional<List<FormatPlace>> in(String format) {
        List<FormatPlace> found = new ArrayList<>();
        Matcher match = PLACE.matcher(format);
        int ordinary = 0;
        int last = -1;
        int at = 0;
        while (match.find()) {
            if (format.substring(at, match.start()).contains("%")) {
                return Optional.empty();
            }
            at = match.end();
            char conversion = match.group(6).charAt(0);
            boolean isFree = conversion == '%' || conversion == 'n';
            // '<' stands for the argument of the place before
            boolean isOfNext = !isFree && !match.group(2).contains("<");
            if (isOfNext && match.group(1) == null) {
                last = ordinary++;
            } else if (isOfNext) {
                last = Integer.parseInt(match.group(1).substring(0, match.group(1).length() - 1)) - 1;
            }
            found.add(new FormatPlace(match.start(), match.group(), isFree ? -1 : last, match.group(4) != null,
                    conversion, match.group(5) != null));
        }
        return format.substring(at).contains("%") ? Optional.empty() : Optional.of(List.copyOf(found));
    }

    /** Why the place fails whatever it is given; empty when it does not. */
    Optional<String> fault() {
        boolean isKnown = isTime || "bBhHsScCdoxXeEfgGaAn%".indexOf(conversion) >= 0;
        boolean isTooPrecise = isPrecise && !isTime && "cCdoxX".indexOf(conversion) >= 0;
        if (!isKnown) {
            return Optional.of("there is no '" + text + "'");
        }
        return isTooPrecise ? Optional.of("'" + text + "' says how many digits, which only numbers with a fraction "
                + "have") : Optional.empty();
    }

    /** Whether a value of a type can be written there; so it is, too, where the type says too little. */
    boolean takes(TypeMirror type, AttributedFile code) {
        TypeMirror boxed = code.boxed(type);
        if (isTime) {
            return !NamedTypes.isOneOf(boxed, KNOWN) || NamedTypes.is(boxed, "java.lang.Long");
        }
        return !NamedTypes.isOneOf(boxed, KNOWN) || switch (Character.toLowerCase(conversion)) {
            case 'd', 'o', 'x' -> NamedTypes.isOneOf(boxed, WHOLE);
            case 'e', 'f', 'g', 'a' -> NamedTypes.isOneOf(boxed, FRACTIONS);
            case 'c' -> NamedTypes.isOneOf(boxed, LETTERS);
            default -> true;
        };
    }

    /** The same place for a value of a type; empty where it would need to say something else, too. */
    Optional<String> of(TypeMirror type, AttributedFile code) {
        TypeMirror boxed = code.boxed(type);
        String letter;
        if (NamedTypes.isOneOf(boxed, FRACTIONS)) {
            letter = "f";
        } else if (NamedTypes.isOneOf(boxed, WHOLE)) {
            letter = "d";
        } else if (NamedTypes.is(boxed, "java.lang.Character")) {
            letter = "c";
        } else {
            letter = "s";
        }
        boolean isPlain = text.matches("%-?\\d*(\\.\\d+)?[a-zA-Z]");
        if (isPlain) {
            return Optional.of((letter.equals("f") ? text : text.replaceAll("\\.\\d+", ""))
                    .replaceAll("[a-zA-Z]$", letter));
        }
        return Optional.empty();
    }
}
