package dev.deftchisel.rewrite.place;

import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.source.Range;

/** Where the declaration of a value may stand, so that it is evaluated as often and in the same order as now. */
public sealed interface InsertionPoint {

    /**
     * Before a statement in a list of statements.
     *
     * @param statement the statement
     * @param list      the block or case it stands in
     */
    record Before(TreePath statement, Tree list) implements InsertionPoint {

        /** The statement itself. */
        public StatementTree tree() {
            return (StatementTree) statement.getLeaf();
        }
    }

    /**
     * In a block that is made around a statement: the only one of an {@code if}, {@code else}, loop or arrow.
     *
     * @param statement the statement
     */
    record Around(TreePath statement) implements InsertionPoint {
    }

    /**
     * In a block that takes the place of an expression: the body of a lambda, or of an arrow that yields.
     *
     * @param expression the whole expression
     * @param keyword    what comes before it in the block: {@code return}, {@code yield} or nothing
     */
    record Instead(TreePath expression, String keyword) implements InsertionPoint {
    }

    /**
     * Nowhere.
     *
     * @param at       what is in the way
     * @param sentence why
     * @param isFinal  whether it would be so even for an expression that does nothing and cannot fail
     */
    record Nowhere(Range at, String sentence, boolean isFinal) implements InsertionPoint {
    }
}
