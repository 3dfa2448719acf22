package dev.deftchisel.signature.plan;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.SymbolKey;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What callers do about exceptions that a method comes to throw (JLS 11.2).
 *
 * @param everywhere where nothing else was said
 * @param at         what single calls do
 */
public record NewExceptions(Handling everywhere, Map<PlacedCalls.Call, Handling> at) {

    /** What a caller may do. */
    public enum Handling {
        /** Nothing: who neither catches nor declares them is told. */
        TOLD,
        /** It declares them, and so do its callers, up to where they are caught. */
        DECLARE,
        /** It catches them around the call. */
        CATCH;

        /** By its word in lower case. */
        public static Optional<Handling> of(String word) {
            return List.of(values()).stream().filter(one -> one.name().toLowerCase(Locale.ROOT).equals(word))
                    .findFirst();
        }
    }

    /** Copies the map. */
    public NewExceptions {
        at = Map.copyOf(at);
    }

    /**
     * What was said, or what is wrong with it.
     *
     * @param exceptions nothing where something is wrong
     * @param objection  one line
     */
    public record Result(Optional<NewExceptions> exceptions, String objection) {
    }

    /**
     * Reads what was said.
     *
     * @param said   of single calls, as {@code Office.java:14=catch}
     * @param family the methods whose calls these are
     */
    public static Result read(Handling everywhere, List<String> said, Set<SymbolKey> family, Analysis before) {
        PlacedCalls placed = PlacedCalls.read(said, "does about exceptions", "catch", family, before);
        Map<PlacedCalls.Call, Handling> at = new HashMap<>();
        for (PlacedCalls.Said one : placed.said()) {
            Optional<Handling> handling = Handling.of(one.value());
            if (handling.isEmpty()) {
                return new Result(Optional.empty(), one.place() + ": '" + one.value()
                        + "' is nothing a call can do about exceptions; say told, declare or catch");
            }
            one.calls().forEach(call -> at.put(call, handling.get()));
        }
        return placed.objection().isEmpty() ? new Result(Optional.of(new NewExceptions(everywhere, at)), "")
                : new Result(Optional.empty(), placed.objection());
    }

    /** What one call of the method does. */
    public Handling at(AttributedFile code, TreePath call) {
        return at.isEmpty() ? everywhere : at.getOrDefault(PlacedCalls.Call.of(code, call), everywhere);
    }

    /** Whether any call does this. */
    public boolean isAnywhere(Handling handling) {
        return everywhere == handling || at.containsValue(handling);
    }
}
