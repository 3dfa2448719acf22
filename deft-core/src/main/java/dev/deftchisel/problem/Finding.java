package dev.deftchisel.problem;

import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;

/**
 * A problem as it is found, together with the means to mend it; lives as long as the analysis it was found in.
 *
 * @param about    the rule
 * @param severity how much it matters in this file
 * @param range    the code it is about
 * @param sentence what is wrong, with the names concerned
 * @param fixes    best first; may be empty
 */
public record Finding(RuleDescription about, Severity severity, Range range, String sentence, List<Fix> fixes) {

    /** Copies the list. */
    public Finding {
        fixes = List.copyOf(fixes);
    }

    /** The same with one of its fixes before the others. */
    public Finding leading(Fix fix) {
        List<Fix> all = new ArrayList<>(List.of(fix));
        fixes.stream().filter(other -> other != fix).forEach(all::add);
        return new Finding(about, severity, range, sentence, all);
    }
}
