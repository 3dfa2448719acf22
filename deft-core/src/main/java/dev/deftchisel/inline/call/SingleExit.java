package dev.deftchisel.inline.call;

import com.sun.source.tree.IfTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.Jumps;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A body with several exits, brought to one: what follows a {@code return} that is reached on some paths only becomes
 * the other branch, and each value is given to one variable.
 *
 * @param steps what the body does
 */
record SingleExit(List<Step> steps) implements Callee.BodyForm {

    /** Part of what a body does. */
    sealed interface Step {

        /** The one statement that it was, whose comments are its own. */
        default Optional<TreePath> statement() {
            if (this instanceof Fork fork) {
                return Optional.of(fork.choice());
            }
            return this instanceof Exit exit ? Optional.of(exit.way()) : Optional.empty();
        }
    }

    /** Statements that do not leave the body, other than by an exception. */
    record Run(List<TreePath> statements) implements Step {
    }

    /** The last step: one of two, of which at least one led to an exit. */
    record Fork(TreePath choice, TreePath condition, List<Step> yes, List<Step> no) implements Step {
    }

    /** The last step: an exit with its value. */
    record Exit(TreePath way, Optional<TreePath> value) implements Step {
    }

    /** Empty where an exit lies within a loop, {@code try} or {@code switch}, or both branches may go on. */
    static Optional<SingleExit> of(Callee callee) {
        List<TreePath> all = callee.tree().getBody().getStatements().stream()
                .map(statement -> new TreePath(callee.body(), statement)).toList();
        return steps(all).map(SingleExit::new);
    }

    private static Optional<List<Step>> steps(List<TreePath> statements) {
        List<TreePath> run = new ArrayList<>();
        for (int i = 0; i < statements.size(); i++) {
            TreePath statement = statements.get(i);
            if (Jumps.leaving(List.of(statement)).isEmpty()) {
                run.add(statement);
                continue;
            }
            Optional<Step> last;
            if (statement.getLeaf() instanceof ReturnTree exit) {
                last = Optional.of(new Exit(statement, Optional.ofNullable(exit.getExpression())
                        .map(value -> new TreePath(statement, value))));
            } else if (statement.getLeaf() instanceof IfTree) {
                last = fork(statement, statements.subList(i + 1, statements.size()));
            } else {
                last = Optional.empty();
            }
            return last.map(step -> run.isEmpty() ? List.of(step) : List.of(new Run(List.copyOf(run)), step));
        }
        return Optional.of(run.isEmpty() ? List.of() : List.of(new Run(List.copyOf(run))));
    }

    private static Optional<Step> fork(TreePath choice, List<TreePath> rest) {
        IfTree tree = (IfTree) choice.getLeaf();
        List<TreePath> yes = Callee.inner(choice, tree.getThenStatement());
        List<TreePath> no = tree.getElseStatement() == null ? List.of() : Callee.inner(choice, tree.getElseStatement());
        boolean leavesIfSo = yes.stream().anyMatch(one -> !Jumps.canComplete((StatementTree) one.getLeaf()));
        boolean leavesElse = no.stream().anyMatch(one -> !Jumps.canComplete((StatementTree) one.getLeaf()));
        if (!leavesIfSo && !leavesElse) {
            return Optional.empty();
        }
        Optional<List<Step>> first = steps(leavesIfSo ? yes : joined(yes, rest));
        Optional<List<Step>> second = steps(leavesElse ? no : joined(no, leavesIfSo ? rest : List.of()));
        TreePath parentheses = new TreePath(choice, tree.getCondition());
        TreePath condition = new TreePath(parentheses, ((ParenthesizedTree) tree.getCondition()).getExpression());
        return first.isPresent() && second.isPresent()
                ? Optional.of(new Fork(choice, condition, first.get(), second.get())) : Optional.empty();
    }

    private static List<TreePath> joined(List<TreePath> one, List<TreePath> other) {
        return Stream.concat(one.stream(), other.stream()).toList();
    }

    /** Whether steps do nothing but leave, without a value. */
    static boolean isNothing(List<Step> steps) {
        return steps.isEmpty() || steps.size() == 1 && steps.get(0) instanceof Exit exit && exit.value().isEmpty();
    }
}
