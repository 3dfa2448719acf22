package dev.deftchisel.extract.value;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.rewrite.place.InsertionPoint;
import dev.deftchisel.rewrite.place.InsertionPointFinder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Where a variable goes and which expressions become its name.
 *
 * @param home  where it is declared
 * @param first the expression that is carried to the declaration
 * @param used  every expression that becomes the name, in order; the first is among them
 */
record VariablePlacement(InsertionPoint home, TreePath first, List<TreePath> used) {

    static VariablePlacement one(SelectedExpression selected, InsertionPoint home) {
        return new VariablePlacement(home, selected.path(), List.of(selected.path()));
    }

    /**
     * All places of the same value that one declaration can serve: in the narrowest block around the selected one that
     * has as many as the widest, or in the statement or body that becomes a block. The first of them is where the value
     * is evaluated; the ones before it are left as they are when it cannot be evaluated there.
     */
    static VariablePlacement all(AttributedFile code, SelectedExpression selected, InsertionPoint home,
            SameValue same) {
        if (selected.isPartOfChain(code)) {
            return one(selected, home);
        }
        List<VariablePlacement> candidates = lists(selected.path()).stream()
                .map(list -> within(code, selected, list, same.within(list)))
                .flatMap(Optional::stream)
                .toList();
        if (candidates.isEmpty()) {
            return home instanceof InsertionPoint.Before ? one(selected, home) : within(code, selected, home, same);
        }
        int most = candidates.get(0).used().size();
        return candidates.stream().filter(places -> places.used().size() == most).reduce((wide, narrow) -> narrow)
                .orElseThrow();
    }

    /** From the first place in a list on before whose statement the value can be evaluated. */
    private static Optional<VariablePlacement> within(AttributedFile code, SelectedExpression selected, TreePath list,
            List<TreePath> found) {
        for (int i = 0; i < found.size() && !isBehind(code, found.get(i), selected); i++) {
            Optional<InsertionPoint> before = before(code, found.get(i), list);
            if (before.isPresent()) {
                return Optional.of(new VariablePlacement(before.get(), found.get(i), found.subList(i, found.size())));
            }
        }
        return Optional.empty();
    }

    /** Before the whole statement around an expression whose value never changes, so that loops do not matter. */
    static Optional<InsertionPoint> beforeStatement(AttributedFile code, SelectedExpression selected) {
        List<TreePath> lists = lists(selected.path());
        return lists.isEmpty() ? Optional.empty() : before(code, selected.path(), lists.get(lists.size() - 1));
    }

    /** What follows the selected expression within the statement or body for which a block is made. */
    private static VariablePlacement within(AttributedFile code, SelectedExpression selected, InsertionPoint home,
            SameValue same) {
        TreePath region = home instanceof InsertionPoint.Around around ? around.statement()
                : ((InsertionPoint.Instead) home).expression();
        List<TreePath> found = same.within(region).stream()
                .filter(path -> code.range(path.getLeaf()).start() >= selected.range().start())
                .toList();
        return new VariablePlacement(home, selected.path(), found);
    }

    private static boolean isBehind(AttributedFile code, TreePath path, SelectedExpression selected) {
        return code.range(path.getLeaf()).start() > selected.range().start();
    }

    /** The lists of statements around an expression, widest first, up to the body of its member. */
    private static List<TreePath> lists(TreePath expression) {
        List<TreePath> found = new ArrayList<>();
        for (TreePath at = expression; at != null; at = at.getParentPath()) {
            Tree tree = at.getLeaf();
            if (!TreePaths.statements(tree).isEmpty()) {
                found.add(0, at);
            } else if (tree instanceof MethodTree || tree instanceof ClassTree) {
                break;
            }
        }
        return found;
    }

    /** Before the statement of a list in which an expression stands, if it may be evaluated there. */
    private static Optional<InsertionPoint> before(AttributedFile code, TreePath expression, TreePath list) {
        InsertionPoint own = new InsertionPointFinder(code, code.effects(expression)).find(expression);
        boolean isThere = own instanceof InsertionPoint.Before before && before.list() == list.getLeaf();
        TreePath statement = expression;
        while (statement.getParentPath() != null && statement.getParentPath().getLeaf() != list.getLeaf()) {
            statement = statement.getParentPath();
        }
        if (!(statement.getLeaf() instanceof StatementTree)) {
            return Optional.empty();
        }
        // what does nothing and cannot fail may as well be evaluated before the whole statement
        boolean mayMove = isThere || code.effects(expression).isPure()
                && !(own instanceof InsertionPoint.Nowhere nowhere && nowhere.isFinal());
        int start = code.range(statement.getLeaf()).start();
        boolean isKnownThere = code.effects(expression).readsLocals().stream()
                .allMatch(local -> code.key(local) instanceof SymbolKey.Local key && key.offset() < start);
        if (mayMove && isKnownThere) {
            return Optional.of(isThere ? own : new InsertionPoint.Before(statement, list.getLeaf()));
        }
        return Optional.empty();
    }
}
