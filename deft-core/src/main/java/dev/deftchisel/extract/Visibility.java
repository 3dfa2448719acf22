package dev.deftchisel.extract;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The choice who may use a new member (JLS 6.6). */
final class Visibility {

    private static final String KEY = "visibility";
    private static final String PRIVATE = "private";

    private Visibility() {
    }

    /** @param label what is asked */
    static Question question(String label) {
        return new Question.Choice(KEY, label,
                List.of(new Question.Option(PRIVATE, "only this class"),
                        new Question.Option("package", "the package"),
                        new Question.Option("protected", "the package and subclasses"),
                        new Question.Option("public", "everyone")),
                PRIVATE);
    }

    /** The modifier with a blank behind it; nothing for the package. */
    static String modifier(Answers answers) {
        String visibility = answers.single(KEY).orElse(PRIVATE);
        return visibility.equals("package") ? "" : visibility + " ";
    }

    /** Why only a private member can have a name: others see it too, and it may change what they inherit or call. */
    static Optional<Reason> objection(Answers answers, Analysis analysis, String name, Path file) {
        return analysis.snapshot().mentioning(Set.of(name)).stream()
                .filter(other -> !other.path().equals(file) && !answers.single(KEY).orElse(PRIVATE).equals(PRIVATE))
                .map(other -> Reason.at(other.path(), new Range(0, 0), "this file mentions the name " + name
                        + ", so that only a private member is sure to be another; or choose another name"))
                .findFirst();
    }
}
