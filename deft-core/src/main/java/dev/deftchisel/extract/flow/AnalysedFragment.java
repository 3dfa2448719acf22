package dev.deftchisel.extract.flow;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.operation.Reason;
import java.util.Optional;

/**
 * A fragment with its data and control flow.
 *
 * @param code     the file it is in
 * @param fragment the code
 * @param flow     what goes into it and comes out of it
 * @param exits    how control leaves it
 */
public record AnalysedFragment(AttributedFile code, Fragment fragment, Flow flow, Exits exits) {

    /** A fragment of a file, analysed. */
    public static AnalysedFragment of(AttributedFile code, Fragment fragment) {
        Flow flow = new Flow(code, fragment);
        return new AnalysedFragment(code, fragment, flow, Exits.of(code, fragment, flow));
    }

    /**
     * What keeps it from being the body of a method of its own; empty when nothing does.
     *
     * @param mayBeRecord whether several results may be put into a record
     */
    public Optional<Reason> obstacle(boolean mayBeRecord) {
        return FragmentObstacles.first(code, fragment, flow, exits, mayBeRecord);
    }
}
