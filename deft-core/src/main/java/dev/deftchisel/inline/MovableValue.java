package dev.deftchisel.inline;

import com.sun.source.tree.BreakTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.YieldTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.place.InsertionPoint;
import dev.deftchisel.rewrite.place.InsertionPointFinder;
import java.util.List;
import java.util.Optional;

/**
 * Whether the value of a variable may be evaluated where it is used instead of where it is declared. That is so
 * <ul>
 *   <li>anywhere and any number of times, when it depends on nothing that changes and cannot be noticed;
 *   <li>anywhere, when it can only be noticed by its failing, and the first use comes just where it would fail now;
 *   <li>in each place up to which nothing happens that it depends on, when only evaluating it cannot be noticed;
 *   <li>in one place that is reached exactly once, with nothing on the way that it would disturb or be disturbed by.
 * </ul>
 */
final class MovableValue {

    private final Analysis analysis;
    private final AttributedFile code;
    private final InlinedVariable inlined;
    private final Effects effects;

    /** @param extra what turning the value into the variable's type adds, such as unboxing */
    MovableValue(Analysis analysis, InlinedVariable inlined, Effects extra) {
        this.analysis = analysis;
        this.code = inlined.code();
        this.inlined = inlined;
        this.effects = code.effects(inlined.valuePath()).and(extra);
    }

    /**
     * Why the value cannot be evaluated in these places; empty when it can.
     *
     * @param stays whether it is evaluated where it is declared as well
     */
    Optional<Reason> objection(List<TreePath> places, boolean stays) {
        Optional<TreePath> otherObject = places.stream()
                .filter(place -> isInClass(place) && code.dependsOnThis(inlined.valuePath()))
                .findFirst();
        if (otherObject.isPresent()) {
            return reason(otherObject.get(), "in the body of another class 'this' is another object");
        }
        boolean isFixed = effects.readsLocals().stream().noneMatch(local -> analysis.isAssigned(code.key(local)));
        if (effects.isPure() && !effects.isFresh() && !effects.readsState() && isFixed) {
            return Optional.empty();
        }
        if (effects.isPure() && !effects.isFresh() && isUndisturbed(places)) {
            return Optional.empty();
        }
        boolean isSame = !effects.isVisible() && !effects.isFresh() && !effects.readsState() && isFixed;
        if (isSame) {
            // once it has gone well it goes well again; when the declaration stays it has
            return places.size() < inlined.uses().size() ? Optional.empty() : onTheWay(inlined.uses().get(0));
        }
        if (stays && (effects.isVisible() || effects.isFresh())) {
            return reason(inlined.declaration(), "it stays, and evaluating its value twice may do something twice, or "
                    + "give two objects");
        }
        if (inlined.uses().size() > 1) {
            return reason(inlined.uses().get(1), effects.isVisible() || effects.isFresh()
                    ? "it is used again here, and evaluating its value twice may do something twice, or give two "
                    + "objects"
                    : "it is used again here, and its value may have changed by then");
        }
        return effects.isPure() && isFixed && !effects.readsState() && isReachedAtMostOnce(places.get(0))
                ? Optional.empty()
                : onTheWay(places.get(0));
    }

    /** Whether nothing between the declaration and the last place changes what the value depends on. */
    private boolean isUndisturbed(List<TreePath> places) {
        return places.stream().allMatch(place -> !isDelayed(place)
                && statementsUpTo(place).stream().allMatch(statement -> commutes(statement)));
    }

    private boolean commutes(StatementTree statement) {
        return effects.commutesWith(code.effects(new TreePath(inlined.declaration().getParentPath(), statement)));
    }

    /** The statements after the declaration up to the one a place is in; empty for a place in another list. */
    private List<? extends StatementTree> statementsUpTo(TreePath place) {
        List<? extends StatementTree> list = inlined.list();
        int from = list.indexOf(inlined.tree()) + 1;
        int to = from;
        while (to < list.size() && code.range(list.get(to)).start() <= code.range(place.getLeaf()).start()) {
            to++;
        }
        return list.subList(from, to);
    }

    /** Whether a place is in code that runs later, or may run several times, than the code around the declaration. */
    private boolean isDelayed(TreePath place) {
        return TreePaths.isDeferred(place, list());
    }

    private boolean isReachedAtMostOnce(TreePath place) {
        return !isDelayed(place) && !TreePaths.leadsThrough(place, list(), Jumps::isLoop);
    }

    private boolean isInClass(TreePath place) {
        return TreePaths.leadsThrough(place, list(), at -> at instanceof ClassTree);
    }

    private Tree list() {
        return inlined.declaration().getParentPath().getLeaf();
    }

    /** What lies between the declaration and the one place, which must be reached exactly once. */
    private Optional<Reason> onTheWay(TreePath place) {
        List<? extends StatementTree> statements = statementsUpTo(place);
        for (StatementTree statement : statements.subList(0, Math.max(0, statements.size() - 1))) {
            if (!commutes(statement) || !effects.isPure() && mayLeave(statement)) {
                return Optional.of(Reason.at(code.file().path(), code.range(statement),
                        "this comes between the declaration and the use, and the order can matter"));
            }
        }
        InsertionPoint home = new InsertionPointFinder(code, effects).find(place);
        if (home instanceof InsertionPoint.Nowhere nowhere) {
            return Optional.of(Reason.at(code.file().path(), nowhere.at(), nowhere.sentence()));
        }
        boolean isSameList = home instanceof InsertionPoint.Before before && before.list() == list();
        return isSameList ? Optional.empty() : reason(place,
                "its value would be evaluated here only under a condition, several times, or later");
    }

    /**
     * Whether a statement may not be followed by the next one, for any other reason than an exception of an expression.
     */
    private static boolean mayLeave(StatementTree statement) {
        Boolean found = new TreeScanner<Boolean, Void>() {
            @Override
            public Boolean scan(Tree tree, Void unused) {
                boolean leaves = tree instanceof ReturnTree || tree instanceof BreakTree || tree instanceof ContinueTree
                        || tree instanceof YieldTree || tree instanceof ThrowTree || Jumps.isLoop(tree);
                boolean isElsewhere = tree instanceof ClassTree || tree instanceof LambdaExpressionTree;
                if (leaves) {
                    return Boolean.TRUE;
                }
                return isElsewhere ? Boolean.FALSE : super.scan(tree, null);
            }

            @Override
            public Boolean reduce(Boolean one, Boolean other) {
                return Boolean.TRUE.equals(one) || Boolean.TRUE.equals(other);
            }
        }.scan(statement, null);
        return Boolean.TRUE.equals(found);
    }

    private Optional<Reason> reason(TreePath place, String sentence) {
        return Optional.of(Reason.at(code.file().path(), code.range(place.getLeaf()), sentence));
    }
}
