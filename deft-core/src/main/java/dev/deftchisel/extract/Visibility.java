package dev.deftchisel.extract;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.operation.AccessQuestion;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The choice who may use a new member (JLS 6.6). */
public final class Visibility {

    private static final List<AccessLevel> NEAR_FIRST = List.of(AccessLevel.values());

    private Visibility() {
    }

    /** @param label what is asked */
    public static Question question(String label) {
        return new AccessQuestion(label, NEAR_FIRST).question();
    }

    /** The answer, or the nearest. */
    public static AccessLevel level(Answers answers) {
        return new AccessQuestion("", NEAR_FIRST).level(answers);
    }

    /** Why only a private member can have a name: others see it too, and it may change what they inherit or call. */
    public static Optional<Reason> objection(Answers answers, Analysis analysis, String name, Path file) {
        return analysis.snapshot().mentioning(Set.of(name)).stream()
                .filter(other -> !other.path().equals(file) && level(answers) != AccessLevel.PRIVATE)
                .map(other -> Reason.at(other.path(), new Range(0, 0), "this file mentions the name " + name
                        + ", so that only a private member is sure to be another; or choose another name"))
                .findFirst();
    }
}
