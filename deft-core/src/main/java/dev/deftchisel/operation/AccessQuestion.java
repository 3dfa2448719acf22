package dev.deftchisel.operation;

import dev.deftchisel.analysis.symbol.AccessLevel;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The choice who may use a new member (JLS 6.6).
 *
 * @param label  what is asked
 * @param levels from which it is chosen, the standard first
 */
public record AccessQuestion(String label, List<AccessLevel> levels) {

    /** The key of the answer. */
    public static final String KEY = "visibility";

    private static final String NEEDED = "needed";

    /** Copies the list. */
    public AccessQuestion {
        levels = List.copyOf(levels);
    }

    /** As it is asked. */
    public Question question() {
        return new Question.Choice(KEY, label, options(levels), key(levels.get(0)));
    }

    /** The same choice where what is used tells the standard: as few as the use allows. */
    public static Question asNeeded(String label, List<AccessLevel> levels) {
        return new Question.Choice(KEY, "who may use it",
                Stream.concat(Stream.of(new Question.Option(NEEDED, label)), options(levels).stream())
                .toList(), NEEDED);
    }

    /** What can be chosen. */
    public static List<Question.Option> options(List<AccessLevel> levels) {
        return levels.stream().map(level -> new Question.Option(key(level), switch (level) {
            case PRIVATE -> "only this class";
            case PACKAGE -> "the package";
            case PROTECTED -> "the package and subclasses";
            case PUBLIC -> "everyone";
        })).toList();
    }

    private static String key(AccessLevel level) {
        return level.name().toLowerCase(Locale.ROOT);
    }

    /** The answer; empty when nothing was said, or something else. */
    public static Optional<AccessLevel> said(Answers answers) {
        return answers.single(KEY).flatMap(said -> List.of(AccessLevel.values()).stream()
                .filter(level -> key(level).equals(said))
                .findFirst());
    }

    /** The answer, or the standard. */
    public AccessLevel level(Answers answers) {
        return said(answers).orElse(levels.get(0));
    }
}
