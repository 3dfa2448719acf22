package dev.deftchisel.problem;

import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import java.util.function.Consumer;

/** One way to mend a problem. */
public sealed interface Fix {

    /** What is done, with the names concerned; begins with a verb in lower case. */
    String title();

    /** Whether other problems of the same sort are mended at the same time. */
    default boolean isElsewhere() {
        return false;
    }

    /**
     * Code is written otherwise, in the file of the problem.
     *
     * @param writer       writes it
     * @param isElsewhere see {@link Fix#isElsewhere}
     */
    record Rewrite(String title, Consumer<FixEdits> writer, boolean isElsewhere) implements Fix {
    }

    /**
     * An operation is used.
     *
     * @param operation its id
     * @param place     where
     * @param answers   what it is told
     */
    record Use(String title, String operation, Place place, Answers answers) implements Fix {
    }

    /** A fix that writes code otherwise. */
    static Fix of(String title, Consumer<FixEdits> writer) {
        return new Rewrite(title, writer, false);
    }
}
