package dev.deftchisel.inline;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Effects;
import dev.deftchisel.rewrite.Home;
import dev.deftchisel.rewrite.HomeFinder;
import java.util.List;
import java.util.Optional;
import javax.lang.model.type.TypeMirror;

/**
 * A value that a call hands to a method: an argument, or the object it is called on.
 *
 * @param name     of the parameter; empty for the object
 * @param value    the expression in the code of the call
 * @param declared the type it is turned into, with the type arguments of the call
 * @param formal   the same type as the method declares it
 * @param uses     where the body needs it
 * @param isSet    whether the body assigns the parameter
 */
record Handed(Optional<String> name, TreePath value, TypeMirror declared, TypeMirror formal,
        List<TreePath> uses, boolean isSet) {

    /** What becomes of it. */
    enum Way {
        /** It is written where the body needs it. */
        WRITTEN,
        /** Nobody needs it, nor can notice that it is not evaluated. */
        LEFT_OUT,
        /** It becomes a variable before the statement of the call. */
        VARIABLE
    }

    ExpressionTree tree() {
        return (ExpressionTree) value.getLeaf();
    }

    /**
     * What becomes of it, so that it is evaluated as often, and that the order cannot be told.
     *
     * @param caller   the code of the call
     * @param callee   the method
     * @param siblings all that the call hands over, this among them
     */
    Way way(Analysis analysis, Code caller, Callee callee, List<Handed> siblings) {
        Effects effects = caller.effects(value);
        if (isSet) {
            return Way.VARIABLE;
        } else if (uses.isEmpty()) {
            return effects.isPure() ? Way.LEFT_OUT : Way.VARIABLE;
        }
        boolean isDelayed = uses.stream().anyMatch(use -> Code.isDeferred(use, callee.tree()));
        boolean isFixed = effects.isPure() && !effects.isFresh() && !effects.readsState()
                && effects.readsLocals().stream().noneMatch(local -> analysis.isAssigned(caller.key(local)));
        if (isFixed && (isAtom() || uses.size() == 1)) {
            return Way.WRITTEN;
        }
        boolean isStable = tree() instanceof IdentifierTree && effects.isPure() && !effects.readsState() && !isDelayed
                && siblings.stream().noneMatch(other -> caller.effects(other.value()).writesLocals().stream()
                        .anyMatch(effects.readsLocals()::contains));
        if (isStable) {
            return Way.WRITTEN;
        }
        return uses.size() == 1 && !isDelayed && isEvaluatedFirst(callee, effects) ? Way.WRITTEN : Way.VARIABLE;
    }

    /** A name or literal, which may be written any number of times. */
    private boolean isAtom() {
        return tree() instanceof IdentifierTree || tree() instanceof LiteralTree;
    }

    /** Whether the one use is reached in any case, and nothing before it in the body makes a difference. */
    private boolean isEvaluatedFirst(Callee callee, Effects effects) {
        return isFirst(callee, effects, uses.get(0));
    }

    private static boolean isFirst(Callee callee, Effects effects, TreePath use) {
        Home home = new HomeFinder(callee.code(), effects).find(use);
        return home instanceof Home.Before before && before.list() == callee.tree().getBody()
                && before.tree() == callee.tree().getBody().getStatements().get(0);
    }

    /** Whether the value cannot be {@code null}. */
    boolean isNeverNull() {
        return tree() instanceof NewClassTree || tree() instanceof LiteralTree
                || tree() instanceof IdentifierTree simple && simple.getName().contentEquals("this");
    }

    /** Whether a {@code null} that is called on is found out by the body just as by the call (JLS 15.12.4.4). */
    boolean isMissedAlike(Callee callee) {
        return isNeverNull() || uses.stream().anyMatch(use -> isFirst(callee, Effects.NULL, use));
    }

    /** Whether the order of this and a later one may be turned round. */
    boolean commutesWith(Handed later, Code caller) {
        return caller.effects(value).commutesWith(caller.effects(later.value()));
    }
}
