package dev.deftchisel.rule.redundant;

/** How sentences of rules put things. */
final class Phrases {

    private Phrases() {
    }

    /** A noun with "a" or "an" before it, in quotes. */
    static String article(String noun) {
        return ("aeiouAEIOU".indexOf(noun.charAt(0)) < 0 ? "a '" : "an '") + noun + "'";
    }
}
