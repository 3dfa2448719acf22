package dev.deftchisel.signature.plan;

import java.util.List;

/**
 * A record that takes the place of parameters (the refactoring "introduce parameter object" of the literature).
 *
 * @param index   of the typed parameter that it is
 * @param origins the parameters that become its components, by their index today, in its order
 */
public record ParameterObject(int index, List<Integer> origins) {

    /** Copies the list. */
    public ParameterObject {
        origins = List.copyOf(origins);
    }
}
