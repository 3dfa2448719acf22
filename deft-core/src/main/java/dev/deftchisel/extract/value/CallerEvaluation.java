package dev.deftchisel.extract.value;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.place.InsertionPointFinder;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;

/**
 * Whether a value of a method is the same when the caller works it out, just before the body runs: it needs nothing but
 * parameters and what does not change until then, and it cannot be told when it is computed; or it is the first thing
 * that the body computes in any case.
 */
final class CallerEvaluation {

    private final Analysis analysis;
    private final AttributedFile code;
    private final SelectedExpression selected;
    private final TreePath method;
    private final ExecutableElement element;
    private final Effects effects;

    /** @param method around the value, with a body */
    CallerEvaluation(Analysis analysis, AttributedFile code, SelectedExpression selected, TreePath method) {
        this.analysis = analysis;
        this.code = code;
        this.selected = selected;
        this.method = method;
        this.element = (ExecutableElement) code.element(method).orElseThrow();
        this.effects = code.effects(selected.path());
    }

    AttributedFile code() {
        return code;
    }

    /** The value. */
    SelectedExpression selected() {
        return selected;
    }

    /** The method around it. */
    TreePath method() {
        return method;
    }

    /** What is in the way; empty when nothing is. */
    Optional<Reason> objection() {
        return variables().or(this::object).or(this::time);
    }

    /**
     * Whether it makes no difference whether the value is computed before or after something else that can be
     * noticed.
     */
    boolean isPure() {
        return effects.isPure();
    }

    /** The parameters that the value needs. */
    List<Occurrence> parameters() {
        return code.occurrences(selected.path()).stream()
                .filter(one -> element.getParameters().contains(one.variable()))
                .toList();
    }

    private Optional<Reason> variables() {
        for (Occurrence one : code.occurrences(selected.path())) {
            String name = "'" + one.variable().getSimpleName() + "'";
            boolean isOwn = code.key(one.variable()) instanceof SymbolKey.Local local && selected.range()
                    .contains(local.offset());
            boolean isParameter = element.getParameters().contains(one.variable());
            if (!isOwn && !isParameter) {
                return reason(one, name + " is a variable of the body, which no caller knows");
            } else if (one.isWritten() && !isOwn) {
                return reason(one, name + " gets a value here, which the caller could not give it");
            } else if (isParameter && analysis.isAssigned(code.key(one.variable()))) {
                return reason(one, name + " gets another value in the method, which the caller does not know");
            }
        }
        return Optional.empty();
    }

    private Optional<Reason> reason(Occurrence one, String sentence) {
        return Optional.of(Reason.at(code.file().path(), code.range(one.path().getLeaf()), sentence));
    }

    private Optional<Reason> reason(String sentence) {
        return Optional.of(Reason.at(code.file().path(), selected.range(), sentence));
    }

    private Optional<Reason> object() {
        if (selected.tree() instanceof IdentifierTree name && name.getName().contentEquals("this")) {
            return reason("this is the object itself, which the method knows");
        }
        return isConstructor() && code.dependsOnThis(selected.path())
                ? reason("it depends on the object that is being made, which the caller does not have yet")
                : Optional.empty();
    }

    private boolean isConstructor() {
        return element.getKind() == ElementKind.CONSTRUCTOR;
    }

    private Optional<Reason> time() {
        boolean isLocked = element.getModifiers().contains(Modifier.SYNCHRONIZED)
                && (effects.readsState() || effects.isVisible());
        if (isLocked) {
            return reason("it is computed while the method holds its lock, which the caller does not");
        } else if (effects.isPure() && !effects.readsState()) {
            return effects.isFresh() && isRepeated() ? reason("a new object is made here each time it is reached")
                    : Optional.empty();
        } else if (!isConstructor() && (isFirst() || effects.isPure() && !effects.isFresh() && isUndisturbed())) {
            return Optional.empty();
        }
        return reason(effects.isPure() ? "it depends on fields or elements that may change before it is reached"
                : "it is not the first thing that the method does in any case, and the order can matter");
    }

    private boolean isRepeated() {
        return TreePaths.leadsThrough(selected.path(), method.getLeaf(),
                tree -> Jumps.isLoop(tree) || TreePaths.runsApart(tree));
    }

    private boolean isFirst() {
        return new InsertionPointFinder(code, effects)
                .isFirst(selected.path(), ((MethodTree) method.getLeaf()).getBody());
    }

    /** Whether nothing up to the end of the statement in which it stands changes what it depends on. */
    private boolean isUndisturbed() {
        BlockTree body = ((MethodTree) method.getLeaf()).getBody();
        TreePath list = new TreePath(method, body);
        return !TreePaths.isDeferred(selected.path(), body) && body.getStatements().stream()
                .filter(statement -> code.range(statement).start() <= selected.range().start())
                .noneMatch(statement -> code.effects(new TreePath(list, statement)).writesState());
    }
}
