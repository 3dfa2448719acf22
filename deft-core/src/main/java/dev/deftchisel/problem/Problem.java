package dev.deftchisel.problem;

import dev.deftchisel.source.Position;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.List;

/**
 * Something that is wrong or could be better, as data.
 *
 * @param rule     id of the rule, or the compiler's code after {@code compiler.err.}
 * @param tag      what sort of problem
 * @param severity how much it matters there
 * @param file     where
 * @param range    the code it is about
 * @param position of its start
 * @param sentence what is wrong, one line
 * @param fixes    what would mend it, best first; may be empty
 */
public record Problem(
        String rule, Tag tag, Severity severity, Path file, Range range, Position position, String sentence,
        List<String> fixes) {

    /** Copies the list. */
    public Problem {
        fixes = List.copyOf(fixes);
    }

    /** The same in other words. */
    public Problem saying(String other) {
        return new Problem(rule, tag, severity, file, range, position, other, fixes);
    }

    /** The same with other fixes. */
    public Problem offering(List<String> titles) {
        return new Problem(rule, tag, severity, file, range, position, sentence, titles);
    }
}
