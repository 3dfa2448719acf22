package dev.deftchisel.rule.condition;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.rewrite.Negation;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.source.Range;

/** Writes the opposite of a condition in place of an expression. */
final class Opposite {

    private Opposite() {
    }

    static void write(FixEdits edits, TreePath whole, TreePath condition) {
        Negation negation = negation(edits.code());
        boolean isGrouped = Precedence.needsParentheses(negation.kind(condition), whole.getLeaf(), whole.getParentPath()
                .getLeaf());
        Range range = edits.code().range(whole.getLeaf());
        edits.replace(range, to -> {
            to.apartFrom(range.start()).write(isGrouped ? "(" : "");
            negation.write(to, condition);
            to.write(isGrouped ? ")" : "");
        });
    }

    /** Whether the opposite reads as plainly as the condition. */
    static boolean isPlain(AttributedFile code, TreePath condition) {
        return negation(code).isPlain(condition);
    }

    private static Negation negation(AttributedFile code) {
        return new Negation(code, NewCode::carry, path -> false);
    }
}
