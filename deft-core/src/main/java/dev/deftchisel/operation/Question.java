package dev.deftchisel.operation;

import java.util.List;

/**
 * One thing an operation needs to be told, as data that any surface can ask in its own way. Each has a key under which
 * its answer is given, in kebab-case, and a label that reads as a request.
 */
public sealed interface Question {

    /** The key of the answer. */
    String key();

    /** What is asked, for people. */
    String label();

    /**
     * A name.
     *
     * @param current   the name there is now; empty when there is none, or when it is not known yet
     * @param proposals good answers, best first
     */
    record Name(String key, String label, String current, List<String> proposals) implements Question {

        /** Copies the list. */
        public Name {
            proposals = List.copyOf(proposals);
        }
    }

    /**
     * A name for which good ones are known, so that it need not be told.
     *
     * @param proposals good answers, best first; empty when the place is not known yet
     */
    record Proposed(String key, String label, List<String> proposals) implements Question {

        /** Copies the list. */
        public Proposed {
            proposals = List.copyOf(proposals);
        }
    }

    /**
     * One of several.
     *
     * @param options  at least one
     * @param defaultAnswer the option taken by default
     */
    record Choice(String key, String label, List<Option> options, String defaultAnswer) implements Question {

        /** Copies the list. */
        public Choice {
            options = List.copyOf(options);
        }
    }

    /**
     * What can be chosen.
     *
     * @param key   the answer
     * @param label what it does
     */
    record Option(String key, String label) {
    }

    /**
     * Some of several, in an order.
     *
     * @param candidates all that can be chosen
     * @param defaultAnswer   the ones taken by default
     */
    record Members(String key, String label, List<String> candidates, List<String> defaultAnswer) implements Question {

        /** Copies the lists. */
        public Members {
            candidates = List.copyOf(candidates);
            defaultAnswer = List.copyOf(defaultAnswer);
        }
    }

    /** Yes or no. */
    record Flag(String key, String label, boolean defaultAnswer) implements Question {
    }

    /** Values at places of the change, each said as {@code PATH:LINE=VALUE}; there may be none. */
    record Placed(String key, String label) implements Question {
    }

    /** Any text. */
    record Text(String key, String label, String defaultAnswer) implements Question {
    }
}
