package dev.deftchisel.inline.call;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;

/**
 * A call that only asks whether to leave, or for what to leave with, so that the statements of the method may as well
 * leave themselves:
 * <ul>
 *   <li>{@code if (isDone(length)) break;} where the method answers with {@code true} in the middle and with
 *       {@code false} at its end;
 *   <li>{@code Fee fee = found(length); if (fee != null) return fee;} where it answers with objects, and with
 *       {@code null} at its end.
 * </ul>
 *
 * @param asking  the statements of the call, which go
 * @param jump    what is written in place of each answer; empty where these stay
 * @param leaving the statements of the method that answer in the middle
 * @param end     the one at its end
 */
record ExitCheckCall(List<TreePath> asking, Optional<StatementTree> jump, List<TreePath> leaving, TreePath end) {

    static Optional<ExitCheckCall> of(CallSite site) {
        List<TreePath> statements = site.callee().tree().getBody().getStatements().stream()
                .map(statement -> new TreePath(site.callee().body(), statement)).toList();
        boolean hasManyExits = site.callee().shape() instanceof SingleExit || site.callee()
                .shape() instanceof Callee.SeveralExits;
        if (!hasManyExits || statements.isEmpty()) {
            return Optional.empty();
        }
        TreePath end = statements.get(statements.size() - 1);
        List<TreePath> leaving = Jumps.leaving(statements).stream().map(Jumps.Jump::path)
                .filter(path -> path.getLeaf() != end.getLeaf()).toList();
        return question(site, leaving, end).or(() -> answer(site, leaving, end));
    }

    private static Optional<ExitCheckCall> question(CallSite site, List<TreePath> leaving, TreePath end) {
        TreePath at = site.path().getParentPath();
        while (at.getLeaf() instanceof ParenthesizedTree) {
            at = at.getParentPath();
        }
        if (!(at.getLeaf() instanceof IfTree choice) || choice.getElseStatement() != null
                || !CallContext.isInList(at)) {
            return Optional.empty();
        }
        List<StatementTree> then = inner(choice.getThenStatement());
        boolean isReturn = then.size() == 1 && then.get(0) instanceof ReturnTree way
                && (way.getExpression() == null || way.getExpression() instanceof LiteralTree);
        boolean isOther = then.size() == 1 && (then.get(0) instanceof BreakTree || then.get(0) instanceof ContinueTree);
        // a break in a loop of the method would leave only that
        boolean areFree = isReturn || leaving.stream()
                .noneMatch(path -> TreePaths.leadsThrough(path, site.callee().tree(),
                tree -> Jumps.isLoop(tree) || tree instanceof SwitchTree));
        boolean isAnswered = answers(end, Boolean.FALSE) && leaving.stream()
                .allMatch(path -> answers(path, Boolean.TRUE));
        return (isReturn || isOther) && areFree && isAnswered
                ? Optional.of(new ExitCheckCall(List.of(at), Optional.of(then.get(0)), leaving, end))
                : Optional.empty();
    }

    private static Optional<ExitCheckCall> answer(CallSite site, List<TreePath> leaving, TreePath end) {
        AttributedFile code = site.code();
        TreePath declaration = site.path().getParentPath();
        List<? extends StatementTree> list = TreePaths.statements(declaration.getParentPath().getLeaf());
        int index = list.indexOf(declaration.getLeaf());
        boolean isAsked = declaration.getLeaf() instanceof VariableTree variable
                && variable.getInitializer() == site.tree()
                && index >= 0 && index + 1 < list.size() && handsOn(list.get(index + 1), variable.getName().toString());
        Optional<Element> holder = isAsked ? code.element(declaration) : Optional.empty();
        boolean isOnlyThere = holder.filter(element -> code.occurrences(site.wholeMember()).stream()
                .filter(one -> one.variable().equals(element)).count() == 3).isPresent();
        boolean isSameResult = new CallContext(site).returns();
        boolean isAnswered = end.getLeaf() instanceof ReturnTree last && last.getExpression() != null
                && last.getExpression().getKind() == Tree.Kind.NULL_LITERAL && leaving.stream()
                .allMatch(ExitCheckCall::answersWithObject);
        return isOnlyThere && isSameResult && isAnswered
                ? Optional.of(new ExitCheckCall(List.of(declaration,
                        new TreePath(declaration.getParentPath(), list.get(index + 1))),
                        Optional.empty(), leaving, end))
                : Optional.empty();
    }

    /** Whether a statement is {@code if (fee != null) return fee;}. */
    private static boolean handsOn(StatementTree statement, String name) {
        return statement instanceof IfTree choice && choice.getElseStatement() == null
                && choice.getCondition().toString().equals("(" + name + " != null)")
                && inner(choice.getThenStatement()).size() == 1
                && inner(choice.getThenStatement()).get(0) instanceof ReturnTree way
                && way.getExpression() instanceof IdentifierTree handed
                && handed.getName().contentEquals(name);
    }

    private static boolean answersWithObject(TreePath statement) {
        return statement.getLeaf() instanceof ReturnTree result && (result.getExpression() instanceof NewClassTree
                || result.getExpression() instanceof NewArrayTree
                || result.getExpression() instanceof LiteralTree literal
                && literal.getKind() == Tree.Kind.STRING_LITERAL);
    }

    private static List<StatementTree> inner(StatementTree branch) {
        return branch instanceof BlockTree block ? List.copyOf(block.getStatements()) : List.of(branch);
    }

    private static boolean answers(TreePath statement, Boolean value) {
        return statement.getLeaf() instanceof ReturnTree result && result.getExpression() instanceof LiteralTree literal
                && value.equals(literal.getValue());
    }

    /** Where the statements stand that go. */
    Range range(AttributedFile code) {
        return new Range(code.range(asking.get(0).getLeaf())
                .start(), code.range(asking.get(asking.size() - 1).getLeaf()).end());
    }
}
