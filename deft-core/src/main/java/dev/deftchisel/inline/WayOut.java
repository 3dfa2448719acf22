package dev.deftchisel.inline;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Jumps;
import java.util.List;
import java.util.Optional;

/**
 * A call that only asks whether to leave: {@code if (isDone(length)) break;}. Where the method answers with {@code true} in
 * the middle and with {@code false} at its end, its statements may as well leave themselves.
 *
 * @param choice the {@code if}, which goes
 * @param jump   what is done on {@code true}
 * @param leaving the statements of the method that answer with {@code true}
 * @param end     the one at its end that answers with {@code false}
 */
record WayOut(TreePath choice, StatementTree jump, List<TreePath> leaving, TreePath end) {

    static Optional<WayOut> of(CallSite site) {
        List<TreePath> statements = site.callee().tree().getBody().getStatements().stream()
                .map(statement -> new TreePath(site.callee().body(), statement)).toList();
        Optional<TreePath> choice = choice(site);
        if (choice.isEmpty() || statements.isEmpty() || !(site.callee().shape() instanceof OneExit || site.callee().shape() instanceof Callee.Several)) {
            return Optional.empty();
        }
        List<StatementTree> then = inner(((IfTree) choice.get().getLeaf()).getThenStatement());
        TreePath end = statements.get(statements.size() - 1);
        List<Jumps.Jump> jumps = Jumps.leaving(statements);
        boolean isJump = then.size() == 1 && (then.get(0) instanceof BreakTree || then.get(0) instanceof ContinueTree
                || then.get(0) instanceof ReturnTree way && (way.getExpression() == null || way.getExpression() instanceof LiteralTree));
        boolean isReturn = isJump && then.get(0) instanceof ReturnTree;
        boolean areAnswers = jumps.stream().allMatch(jump -> answers(jump.tree(), jump.tree() != end.getLeaf())
                // a break in a loop of the method would leave only that
                && (isReturn || !Code.leadsThrough(jump.path(), site.callee().tree(), tree -> Jumps.isLoop(tree) || tree instanceof SwitchTree)));
        return isJump && areAnswers && answers(end.getLeaf(), false)
                ? Optional.of(new WayOut(choice.get(), then.get(0), jumps.stream().map(Jumps.Jump::path)
                        .filter(path -> path.getLeaf() != end.getLeaf()).toList(), end))
                : Optional.empty();
    }

    /** The {@code if} without {@code else} whose condition the call is, in a list of statements. */
    private static Optional<TreePath> choice(CallSite site) {
        TreePath at = site.path().getParentPath();
        while (at.getLeaf() instanceof ParenthesizedTree) {
            at = at.getParentPath();
        }
        return at.getLeaf() instanceof IfTree choice && choice.getElseStatement() == null && CallPlace.isInList(at)
                ? Optional.of(at) : Optional.empty();
    }

    private static List<StatementTree> inner(StatementTree branch) {
        return branch instanceof BlockTree block ? List.copyOf(block.getStatements()) : List.of(branch);
    }

    private static boolean answers(Tree statement, boolean value) {
        return statement instanceof ReturnTree result && result.getExpression() instanceof LiteralTree literal
                && Boolean.valueOf(value).equals(literal.getValue());
    }
}
