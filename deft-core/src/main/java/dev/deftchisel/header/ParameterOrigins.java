package dev.deftchisel.header;

import dev.deftchisel.change.NewSignature;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * Which typed parameter is which of those that there are: the one of its name; else, where it says no value for the
 * calls, the only one of its type that is left, or the one of its type at its place.
 */
public final class ParameterOrigins {

    private final List<Known> known;
    private final List<Known> typed;
    private final int[] origins;

    /**
     * A parameter, there or typed.
     *
     * @param name     of it
     * @param type     as written, without white space
     * @param hasValue whether it is said what calls pass for it
     */
    public record Known(String name, String type, boolean hasValue) {
    }

    private ParameterOrigins(List<Known> known, List<Known> typed) {
        this.known = known;
        this.typed = typed;
        this.origins = new int[typed.size()];
        Arrays.fill(origins, NewSignature.ADDED);
    }

    /**
     * For each typed parameter the index of the one that it was, or {@link NewSignature#ADDED}.
     *
     * @param renamed new names by old ones, as far as they are told
     */
    public static List<Integer> of(List<Known> known, List<Known> typed, Map<String, String> renamed) {
        ParameterOrigins origins = new ParameterOrigins(known, typed);
        origins.byName(renamed);
        origins.byOnlyType();
        origins.byPlace();
        return Arrays.stream(origins.origins).boxed().toList();
    }

    private void byName(Map<String, String> renamed) {
        Map<String, Integer> names = new HashMap<>();
        for (int i = 0; i < known.size(); i++) {
            names.put(renamed.getOrDefault(known.get(i).name(), known.get(i).name()), i);
        }
        for (int i = 0; i < typed.size(); i++) {
            origins[i] = names.getOrDefault(typed.get(i).name(), NewSignature.ADDED);
        }
    }

    private boolean isFree(int origin) {
        return Arrays.stream(origins).noneMatch(taken -> taken == origin);
    }

    private List<Integer> open() {
        return new ArrayList<>(IntStream.range(0, typed.size())
                .filter(i -> origins[i] == NewSignature.ADDED && !typed.get(i).hasValue()).boxed().toList());
    }

    private void byOnlyType() {
        for (int i : open()) {
            String type = typed.get(i).type();
            List<Integer> left = IntStream.range(0, known.size())
                    .filter(one -> isFree(one) && known.get(one).type().equals(type)).boxed().toList();
            boolean isOnly = open().stream().filter(one -> typed.get(one).type().equals(type)).count() == 1;
            if (left.size() == 1 && isOnly) {
                origins[i] = left.get(0);
            }
        }
    }

    private void byPlace() {
        for (int i : open()) {
            if (i < known.size() && isFree(i) && known.get(i).type().equals(typed.get(i).type())) {
                origins[i] = i;
            }
        }
    }
}
