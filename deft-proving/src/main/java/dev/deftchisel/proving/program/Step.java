package dev.deftchisel.proving.program;

import dev.deftchisel.operation.Answers;

/**
 * One offer that was taken, or refused.
 *
 * @param program  in which
 * @param sort     the operation, or {@code fix} and the rule
 * @param place    where, as people write it
 * @param title    of the offer
 * @param answers  what it was told
 * @param verdict  what came of it
 * @param words    the reason of the refusal, or what is wrong
 * @param diff     what would change; empty when refused
 */
public record Step(String program, String sort, String place, String title, Answers answers, Verdict verdict,
        String words, String diff) {

    /** What came of a step. */
    public enum Verdict {
        /** Applied, compiles, and prints the same. */
        SAME,
        /** Applied, compiles; the user asked for something else to happen. */
        MEANT,
        /**
         * A rename after which the program does something else, where the preview showed that texts mention the name.
         */
        TEXT,
        /** Refused, with a reason. */
        REFUSED,
        /** Applied, but nothing changed. */
        NOTHING,
        /** Applied, and does not compile any more. */
        BROKEN,
        /** Applied, and does something else. */
        OTHER,
        /** A rename after which class files that processors have part in differ in more than names. */
        CLASSES,
        /** The operation broke down. */
        FAILED;

        /** Whether it must never happen. */
        public boolean isWrong() {
            return this == BROKEN || this == OTHER || this == CLASSES || this == FAILED;
        }
    }

    @Override
    public String toString() {
        return verdict + " " + sort + " at " + place + " in " + program + " (" + title + ", " + answers.values() + "): "
                + words;
    }
}
