package dev.deftchisel.extract;

import dev.deftchisel.analysis.Code;
import dev.deftchisel.change.Alike;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;

/**
 * What is handed to a new method.
 *
 * @param variables of the body around the fragment, in order
 * @param varied    values of the fragment in whose place its twins have others
 */
record Inputs(List<Flow.Variable> variables, List<Varied> varied) {

    /**
     * A value that is another in each twin.
     *
     * @param name   of the parameter
     * @param type   as it is written
     * @param places where it stands in the fragment
     */
    record Varied(String name, String type, List<Range> places) {
    }

    /** Copies the lists. */
    Inputs {
        variables = List.copyOf(variables);
        varied = List.copyOf(varied);
    }

    /** The same code is handed over where the fragment was. */
    List<Range> arguments(Code code) {
        List<Range> arguments = new ArrayList<>();
        variables.forEach(input -> arguments.add(code.range(input.first().path().getLeaf())));
        varied.forEach(value -> arguments.add(value.places().get(0)));
        return arguments;
    }

    /** What need not be handed over again. */
    List<Alike> alike() {
        return varied.stream()
                .flatMap(value -> value.places().stream().skip(1).map(place -> new Alike(place, value.places().get(0))))
                .toList();
    }
}
