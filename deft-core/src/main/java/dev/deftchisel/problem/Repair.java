package dev.deftchisel.problem;

import java.util.List;
import java.util.Set;

/**
 * What mends some errors of the compiler. Implementations have no state and a public constructor without parameters,
 * and are listed as services.
 */
public interface Repair {

    /** The compiler's codes of the errors, without {@code compiler.err.} before them; always the same. */
    Set<String> codes();

    /**
     * The ways to mend an error of one of the codes, best first; empty when none is known here. Sees one file, keeps
     * nothing, and may be called from any thread. A repair that throws is left out for that error; what a fix writes
     * is only computed when it is shown or taken.
     *
     * @param site where it is
     */
    List<Fix> fixes(ErrorSite site);
}
