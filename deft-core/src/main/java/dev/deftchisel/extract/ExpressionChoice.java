package dev.deftchisel.extract;

import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The choice which of several expressions around a caret is meant: its number from the innermost on, from 1. */
public final class ExpressionChoice {

    /** The key of the number. */
    static final String KEY = "expression";

    private ExpressionChoice() {
    }

    /** Asked where no place is known. */
    public static Question anywhere() {
        return new Question.Text(KEY, "which expression around the caret, from the innermost on", "1");
    }

    /**
     * Asked at a place.
     *
     * @param shown the expressions, innermost first
     * @return nothing when there is only one
     */
    public static Optional<Question> among(List<String> shown) {
        List<Question.Option> options = new ArrayList<>();
        shown.forEach(text -> options.add(new Question.Option(String.valueOf(options.size() + 1), text)));
        return options.size() > 1
                ? Optional.of(new Question.Choice(KEY, "which expression", options, "1"))
                : Optional.empty();
    }

    /** The one that is meant; empty when there is none of that number. */
    public static <T> Optional<T> of(Answers answers, List<T> candidates) {
        String number = answers.single(KEY).orElse("1");
        return number.matches("\\d{1,4}") && Integer.parseInt(number) >= 1
                && Integer.parseInt(number) <= candidates.size()
                ? Optional.of(candidates.get(Integer.parseInt(number) - 1))
                : Optional.empty();
    }

    /** Says that there is none. */
    public static String refusal(Answers answers, List<?> candidates) {
        return "there is no expression number " + answers.single(KEY).orElse("") + " here; there are "
                + candidates.size();
    }
}
