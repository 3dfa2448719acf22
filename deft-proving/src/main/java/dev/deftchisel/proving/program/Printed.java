package dev.deftchisel.proving.program;

import java.util.Map;

/**
 * What a run of a program came to.
 *
 * @param text    all that it printed, up to a length
 * @param failure the exception it ended with, that it did not end, or that it printed too much; empty when it ended
 *                well
 */
public record Printed(String text, String failure) {

    /**
     * The same with an old name in the place of the new one, since a name may show in what a program prints of itself.
     */
    Printed renamed(Map.Entry<String, String> names) {
        return new Printed(text.replace(names.getValue(), names.getKey()),
                failure.replace(names.getValue(), names.getKey()));
    }

    /** Where two differ, in a line. */
    String difference(Printed other) {
        if (!failure.equals(other.failure)) {
            return "ended with '" + failure + "', now with '" + other.failure + "'";
        }
        String[] here = text.split("\n", -1);
        String[] there = other.text.split("\n", -1);
        for (int i = 0; i < Math.min(here.length, there.length); i++) {
            if (!here[i].equals(there[i])) {
                return "printed '" + here[i] + "', now '" + there[i] + "'";
            }
        }
        return "printed " + here.length + " lines, now " + there.length;
    }
}
