package dev.deftchisel.inline.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.rewrite.place.InsertionPointFinder;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.type.TypeMirror;

/**
 * A value that a call passes to a method: an argument, or the object it is called on.
 *
 * @param name     of the parameter; empty for the object
 * @param values   the expression in the code of the call; those of an array when it is packed
 * @param isPacked whether any number of arguments become an array (JLS 15.12.4.2)
 * @param declared the type it is turned into, with the type arguments of the call
 * @param formal   the same type as the method declares it
 * @param uses     where the body needs it
 * @param isSet    whether the body assigns the parameter
 */
record ArgumentBinding(Optional<String> name, List<TreePath> values, boolean isPacked, TypeMirror declared,
        TypeMirror formal,
        List<TreePath> uses, boolean isSet) {

    /** What becomes of it. */
    enum ArgumentStrategy {
        /** It is written where the body needs it. */
        WRITTEN,
        /** Nobody needs it, nor can notice that it is not evaluated. */
        LEFT_OUT,
        /** It becomes a variable before the statement of the call. */
        VARIABLE
    }

    /** What is passed as it is. */
    static ArgumentBinding one(Optional<String> name, TreePath value, TypeMirror declared, TypeMirror formal,
            List<TreePath> uses, boolean isSet) {
        return new ArgumentBinding(name, List.of(value), false, declared, formal, uses, isSet);
    }

    /** The expression; empty for several that become an array. */
    Optional<TreePath> single() {
        return isPacked ? Optional.empty() : Optional.of(values.get(0));
    }

    /** The expression, of what is known to be one. */
    TreePath value() {
        return single().orElseThrow();
    }

    ExpressionTree tree() {
        return (ExpressionTree) value().getLeaf();
    }

    /** Whether it is a name, such as that of a variable. */
    boolean isName() {
        return single().filter(path -> path.getLeaf() instanceof IdentifierTree).isPresent();
    }

    Effects effects(AttributedFile caller) {
        Effects all = values.stream().map(caller::effects).reduce(Effects.NONE, Effects::and);
        return isPacked ? all.and(Effects.MADE) : all;
    }

    /**
     * What becomes of it, so that it is evaluated as often, and that the order cannot be told.
     *
     * @param caller   the code of the call
     * @param callee   the method
     * @param siblings all that the call passes, this among them
     */
    ArgumentStrategy way(Analysis analysis, AttributedFile caller, Callee callee, List<ArgumentBinding> siblings) {
        Effects effects = effects(caller);
        if (isSet) {
            return ArgumentStrategy.VARIABLE;
        } else if (uses.isEmpty()) {
            return effects.isPure() ? ArgumentStrategy.LEFT_OUT : ArgumentStrategy.VARIABLE;
        }
        boolean isDelayed = uses.stream().anyMatch(use -> TreePaths.isDeferred(use, callee.tree()));
        boolean isFixed = effects.isPure() && !effects.isFresh() && !effects.readsState()
                && effects.readsLocals().stream().noneMatch(local -> analysis.isAssigned(caller.key(local)));
        if (isFixed && (isAtom() || uses.size() == 1)) {
            return ArgumentStrategy.WRITTEN;
        }
        boolean isStable = isName() && effects.isPure() && !effects.readsState() && !isDelayed
                && siblings.stream().noneMatch(other -> other.effects(caller).writesLocals().stream()
                        .anyMatch(effects.readsLocals()::contains));
        if (isStable) {
            return ArgumentStrategy.WRITTEN;
        }
        return uses.size() == 1 && !isDelayed && isFirst(callee, effects, uses.get(0)) ? ArgumentStrategy.WRITTEN
                : ArgumentStrategy.VARIABLE;
    }

    /** A name or literal, which may be written any number of times. */
    private boolean isAtom() {
        return isName() || single().filter(path -> path.getLeaf() instanceof LiteralTree).isPresent();
    }

    /** Whether a use is reached in any case, and nothing before it in the body makes a difference. */
    private static boolean isFirst(Callee callee, Effects effects, TreePath use) {
        return new InsertionPointFinder(callee.code(), effects).isFirst(use, callee.tree().getBody());
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
    boolean commutesWith(ArgumentBinding later, AttributedFile caller) {
        return effects(caller).commutesWith(later.effects(caller));
    }

    /** Where it stands. */
    Range range(AttributedFile caller) {
        return new Range(caller.range(values.get(0).getLeaf())
                .start(), caller.range(values.get(values.size() - 1).getLeaf()).end());
    }
}
