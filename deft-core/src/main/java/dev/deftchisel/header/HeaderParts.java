package dev.deftchisel.header;

import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A header told part by part, as scripts do, instead of as a whole.
 *
 * @param added   new parameters as in a header, {@code int rate = 3, Season season}; they come last
 * @param dropped names of parameters that go, with commas between
 * @param order   names in the order that they get; those that are not told follow
 */
public record HeaderParts(String added, String dropped, String order) {

    /**
     * What was made of it.
     *
     * @param header    in Java; empty when something is wrong
     * @param objection what is wrong; empty when nothing is
     */
    public record Result(Optional<String> header, String objection) {

        static Result wrong(String objection) {
            return new Result(Optional.empty(), objection);
        }
    }

    /** Whether nothing is told. */
    public boolean isEmpty() {
        return added.isBlank() && dropped.isBlank() && order.isBlank();
    }

    /**
     * The header that comes of one.
     *
     * @param renamed new names of parameters by old ones
     */
    public Result header(TypedHeader old, Map<String, String> renamed) {
        Map<String, String> parameters = new LinkedHashMap<>();
        for (TypedHeader.TypedParameter one : old.parameters()) {
            String name = old.at(one.name());
            String head = old.at(new Range(one.modifiers().start(), one.name().start()));
            parameters.put(renamed.getOrDefault(name, name), head + renamed.getOrDefault(name, name));
        }
        for (String name : names(dropped)) {
            if (parameters.remove(name) == null) {
                return Result.wrong("there is no parameter '" + name + "' that could go");
            }
        }
        if (!added.isBlank()) {
            HeaderReader.Result more = HeaderReader.read("added(" + added + ")");
            if (more.header().isEmpty()) {
                return Result.wrong("what is added cannot be read: " + more.objection().replaceFirst(
                        "^in the header, column \\d+: ", ""));
            }
            TypedHeader typed = more.header().get();
            for (TypedHeader.TypedParameter one : typed.parameters()) {
                String name = typed.at(one.name());
                if (parameters.put(name, typed.at(new Range(one.modifiers().start(), one.value().orElse(one.name())
                        .end()))) != null) {
                    return Result.wrong("there is a parameter '" + name + "' already");
                }
            }
        }
        List<String> ordered = new ArrayList<>();
        for (String name : names(order)) {
            String parameter = parameters.remove(name);
            if (parameter == null) {
                return Result.wrong("there is no parameter '" + name + "' that could be put in order");
            }
            ordered.add(parameter);
        }
        ordered.addAll(parameters.values());
        return new Result(Optional.of(old.with(ordered)), "");
    }

    private static List<String> names(String list) {
        return Arrays.stream(list.split(",")).map(String::strip).filter(name -> !name.isEmpty()).toList();
    }
}
