package dev.deftchisel.operation;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What an operation was told, by the keys of its questions.
 *
 * @param values the answers; several only for {@link Question.Members}
 */
public record Answers(Map<String, List<String>> values) {

    /** Copies the map. */
    public Answers {
        values = Map.copyOf(values);
    }

    /** Nothing was said. */
    public static Answers none() {
        return new Answers(Map.of());
    }

    /** One answer. */
    public static Answers of(String key, String value) {
        return new Answers(Map.of(key, List.of(value)));
    }

    /** These and one more; a former answer to the same question is replaced. */
    public Answers and(String key, String value) {
        Map<String, List<String>> more = new LinkedHashMap<>(values);
        more.put(key, List.of(value));
        return new Answers(more);
    }

    /** The single answer to a question. */
    public Optional<String> single(String key) {
        return Optional.ofNullable(values.get(key)).filter(list -> !list.isEmpty()).map(list -> list.get(0));
    }

    /** These and one more, of which several were chosen, in order. */
    public Answers and(String key, List<String> chosen) {
        Map<String, List<String>> more = new LinkedHashMap<>(values);
        more.put(key, List.copyOf(chosen));
        return new Answers(more);
    }

    /** Several answers to a question; an empty list when none was chosen, empty when nothing was said. */
    public Optional<List<String>> several(String key) {
        return Optional.ofNullable(values.get(key));
    }

    /** Whether a flag was answered with yes. */
    public boolean flag(String key) {
        return single(key).filter(value -> value.equals("true") || value.equals("yes")).isPresent();
    }
}
