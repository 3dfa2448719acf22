package dev.deftchisel.desk.code;

import dev.deftchisel.desk.text.TextDifference;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.source.Range;

/**
 * Where a problem is in the text as it is now; it moves along with edits until the file is looked at again.
 *
 * @param problem as it was found
 * @param range   in the text now
 */
public record Mark(Problem problem, Range range) {

    /** After an edit. */
    public Mark after(TextDifference edit) {
        return new Mark(problem, edit.after(range));
    }
}
