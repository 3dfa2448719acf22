package dev.deftchisel.signature.plan;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.TypedHeader;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * What single calls pass for new parameters, where that is something else than the header says:
 * {@code Office.java:14 = days}, {@code Office.java:14:20:rate = days} with the column and the parameter.
 *
 * @param values by the call, and the index of the typed parameter
 */
public record PlacedValues(Map<PlacedCalls.Call, Map<Integer, String>> values) {

    /** Copies the map. */
    public PlacedValues {
        values = Map.copyOf(values);
    }

    /**
     * The values, or what is wrong with what was said.
     *
     * @param values    none where something is wrong
     * @param objection one line
     */
    public record Result(Optional<PlacedValues> values, String objection) {
    }

    /** No call passes anything else. */
    public static PlacedValues none() {
        return new PlacedValues(Map.of());
    }

    /** What a call passes for a typed parameter, if that was said. */
    public Optional<String> at(AttributedFile code, TreePath place, int index) {
        return values.isEmpty() ? Optional.empty()
                : Optional.ofNullable(values.getOrDefault(PlacedCalls.Call.of(code, place), Map.of()).get(index));
    }

    /** Whether any call passes this for a typed parameter. */
    public boolean contains(int index, String value) {
        return values.values().stream().anyMatch(call -> value.equals(call.get(index)));
    }

    /**
     * Reads what was said.
     *
     * @param said   each a value, or several with {@code ;} between
     * @param family the methods whose calls change
     */
    public static Result read(List<String> said, SignatureChange change, Set<SymbolKey> family, Analysis before) {
        Map<PlacedCalls.Call, Map<Integer, String>> values = new HashMap<>();
        PlacedCalls placed = PlacedCalls.read(said, "passes", "days", family, before);
        if (!placed.objection().isEmpty()) {
            return refused(placed.objection());
        }
        for (PlacedCalls.Said one : placed.said()) {
            OptionalInt parameter = parameter(one.name(), change);
            if (parameter.isEmpty()) {
                return refused(one.name().map(name -> "no new parameter is called '" + name + "'").orElseGet(() ->
                        one.place() + ": say for which parameter, as " + one.place() + ":NAME=VALUE; "
                        + (added(change).isEmpty() ? "none is new" : "several are new")));
            } else if (!one.value().equals(SignatureChange.TO_CHOOSE) && !isExpression(one.value())) {
                return refused(one.place() + ": '" + one.value() + "' is not an expression in Java");
            }
            one.calls().forEach(call -> values.computeIfAbsent(call, other -> new HashMap<>()).put(parameter
                    .getAsInt(), one.value()));
        }
        return new Result(Optional.of(new PlacedValues(values)), "");
    }

    private static Result refused(String objection) {
        return new Result(Optional.empty(), objection);
    }

    private static List<Integer> added(SignatureChange change) {
        return IntStream.range(0, change.origins().size()).filter(change::isAdded).boxed().toList();
    }

    private static OptionalInt parameter(Optional<String> name, SignatureChange change) {
        List<Integer> added = added(change).stream().filter(i -> name.filter(other -> !change.name(i)
                .equals(other)).isEmpty()).toList();
        return added.size() == 1 ? OptionalInt.of(added.get(0)) : OptionalInt.empty();
    }

    private static boolean isExpression(String value) {
        Optional<TypedHeader> header = HeaderReader.read("one(int other = " + value + ")").header();
        return header.filter(read -> read.parameters().size() == 1 && read.parameters().get(0).value()
                .filter(range -> read.at(range).equals(value)).isPresent()).isPresent();
    }
}
