package dev.deftchisel.extract.flow;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.VariableElement;

/**
 * What goes into a fragment and what comes out of it: which variables of the body around it need their value passed in,
 * which are only used within it, and which have a value afterwards that is still needed. In doubt a value goes in, and
 * is needed.
 */
public final class Flow {

    /** A variable of the body that occurs in the fragment. */
    public final class Variable {

        private final VariableElement element;
        private final List<Occurrence> all;
        private final List<Occurrence> inside;

        private Variable(VariableElement element, List<Occurrence> all) {
            this.element = element;
            this.all = all;
            this.inside = all.stream().filter(one -> fragment.contains(one.offset())).toList();
        }

        public VariableElement element() {
            return element;
        }

        public String name() {
            return element.getSimpleName().toString();
        }

        /** The first place where it stands within the fragment. */
        public Occurrence first() {
            return inside.get(0);
        }

        /** Whether it stands in the fragment in one place only. */
        public boolean occursOnce() {
            return inside.size() == 1;
        }

        /** Where it is named within the fragment. */
        public List<Range> namesInside() {
            return inside.stream().filter(one -> one.access() != Occurrence.Access.DECLARED)
                    .map(one -> code.range(one.path().getLeaf())).toList();
        }

        /** Whether it stands nowhere in the fragment but in some places. */
        boolean standsOnlyIn(List<Range> places) {
            return inside.stream().allMatch(one -> places.stream().anyMatch(place -> place.contains(one.offset())));
        }

        public Optional<Occurrence> declaration() {
            return all.stream().filter(one -> one.access() == Occurrence.Access.DECLARED).findFirst();
        }

        public boolean isDeclaredInside() {
            return inside.stream().anyMatch(one -> one.access() == Occurrence.Access.DECLARED);
        }

        public boolean isWritten() {
            return inside.stream().anyMatch(Occurrence::isWritten);
        }

        /** Whether the first thing that happens to it, in any case, is that it gets a value. */
        boolean isSetFirst() {
            return settingStatement().isPresent();
        }

        /** The statement {@code x = ...;} of the fragment itself before which it is not used. */
        public Optional<TreePath> settingStatement() {
            Occurrence first = first();
            if (first.access() != Occurrence.Access.WRITTEN || fragment.isExpression()) {
                return Optional.empty();
            }
            TreePath assignment = first.path().getParentPath();
            TreePath statement = assignment.getParentPath();
            boolean isPlain = assignment.getLeaf() instanceof AssignmentTree set && set.getVariable() == first.path()
                    .getLeaf()
                    && statement.getLeaf() instanceof ExpressionStatementTree
                    && fragment.parts().stream().anyMatch(part -> part.getLeaf() == statement.getLeaf())
                    && inside.stream().skip(1).noneMatch(one -> code.range(statement.getLeaf()).contains(one.offset()));
            return isPlain ? Optional.of(statement) : Optional.empty();
        }

        /** Whether it may have a value when the fragment is reached. */
        private boolean hasValueBefore() {
            Optional<Occurrence> declaration = declaration();
            boolean isLocal = element.getKind() == ElementKind.LOCAL_VARIABLE && declaration.isPresent()
                    && declaration.get().path().getLeaf() instanceof VariableTree tree && tree.getInitializer() == null
                    && !(declaration.get().path().getParentPath().getLeaf() instanceof
                            EnhancedForLoopTree);
            Optional<Range> loop = loopAround();
            return !isLocal || all.stream().anyMatch(one -> one.isWritten() && (one.offset() < fragment.range().start()
                    || loop.filter(range -> range.contains(one.offset())).isPresent()));
        }

        /** The widest loop around the fragment within which the variable keeps its value from round to round. */
        private Optional<Range> loopAround() {
            int declared = declaration().map(Occurrence::offset).orElse(0);
            Range widest = null;
            for (TreePath at = fragment.parent(); at != null; at = at.getParentPath()) {
                Optional<Range> range = code.find(at.getLeaf());
                if (Jumps.isLoop(at.getLeaf()) && range.isPresent()
                        && (!range.get().contains(declared) || isDeclaredInHeader(at.getLeaf(), declared))) {
                    widest = range.get();
                }
            }
            return Optional.ofNullable(widest);
        }

        /** Whether it is declared once for all rounds (JLS 14.14.1.1). */
        private boolean isDeclaredInHeader(Tree loop, int declared) {
            return loop instanceof ForLoopTree header && header.getInitializer().stream()
                    .anyMatch(statement -> code.find(statement).filter(range -> range.contains(declared)).isPresent());
        }

        private boolean isReadInside() {
            return inside.stream().anyMatch(Occurrence::isRead);
        }

        /** Whether the value it has afterwards may still be needed. */
        boolean isNeededAfter() {
            if (!canComplete && loopAround().isEmpty()) {
                return false;
            }
            if (declaration().isEmpty() && isWritten()) {
                // a compact constructor gives its fields the values of its parameters in the end (JLS 8.10.4.2)
                return true;
            }
            boolean isReadBehind = all.stream().anyMatch(one -> one.offset() >= fragment.range().end()
                    && (one.isRead() || isDeclaredInside()));
            Optional<Range> loop = loopAround();
            boolean isReadInNextRound = loop.isPresent() && all.stream().anyMatch(one -> one.isRead()
                    && loop.get().contains(one.offset()) && (!fragment.contains(one.offset()) || !isSetFirst()));
            return isReadBehind || isReadInNextRound;
        }

        /** Whether its value is passed in. */
        boolean isInput() {
            return !isDeclaredInside() && hasValueBefore() && !isSetFirst()
                    && (isReadInside() || isWritten() && isNeededAfter());
        }

        /** Whether it must be declared in the method. */
        boolean isMovedInside() {
            return !isDeclaredInside() && !isInput();
        }

        /** Whether its value is passed out. */
        boolean isOutput() {
            return (isDeclaredInside() || isWritten()) && isNeededAfter();
        }

        /** A pattern or parameter cannot be declared again after the fragment. */
        boolean isDeclaredOnlyInside() {
            return isDeclaredInside() && element.getKind() != ElementKind.LOCAL_VARIABLE;
        }

        /** Where it is written within a {@code try} and read once that has failed; empty when nowhere. */
        Optional<Occurrence> readAfterFailure() {
            int declared = declaration().map(Occurrence::offset).orElse(0);
            boolean isLast = settingStatement().filter(statement ->
                    statement.getLeaf() == fragment.parts().get(fragment.parts().size() - 1).getLeaf()).isPresent();
            for (TreePath at = fragment.parts().get(0); isWritten() && !isLast && at.getParentPath() != null;
                    at = at.getParentPath()) {
                boolean isAttempted = at.getParentPath().getLeaf() instanceof TryTree attempt
                        && attempt.getBlock() == at.getLeaf() && !code.range(attempt).contains(declared)
                        && (!attempt.getCatches().isEmpty() || attempt.getFinallyBlock() != null);
                if (isAttempted) {
                    int end = code.range(at.getLeaf()).end();
                    Optional<Range> loop = loopAround();
                    return all.stream().filter(one -> one.isRead() && (one.offset() >= end
                            || loop.filter(range -> range.contains(one.offset())).isPresent())).findFirst();
                }
            }
            return Optional.empty();
        }
    }

    private final AttributedFile code;
    private final Fragment fragment;
    private final boolean canComplete;
    private final List<Variable> variables;
    private final List<Variable> inputs;
    private final List<Variable> movedInside;
    private final List<Variable> outputs;

    public Flow(AttributedFile code, Fragment fragment) {
        this.code = code;
        this.fragment = fragment;
        this.canComplete = fragment.isExpression()
                || fragment.parts().stream().allMatch(part -> Jumps.canComplete((StatementTree) part.getLeaf()));
        Map<VariableElement, List<Occurrence>> all = new LinkedHashMap<>();
        code.occurrences(fragment.member()).forEach(one ->
                all.computeIfAbsent(one.variable(), element -> new ArrayList<>()).add(one));
        List<Variable> found = new ArrayList<>();
        all.forEach((element, occurrences) -> {
            boolean isInside = occurrences.stream().anyMatch(one -> fragment.contains(one.offset()));
            boolean isOfBody = occurrences.stream().anyMatch(one -> one.access() == Occurrence.Access.DECLARED)
                    || isImplied(element);
            if (isInside && isOfBody) {
                found.add(new Variable(element, occurrences));
            }
        });
        this.variables = List.copyOf(found);
        this.inputs = variables.stream().filter(Variable::isInput).toList();
        this.movedInside = variables.stream().filter(Variable::isMovedInside).toList();
        this.outputs = variables.stream().filter(Variable::isOutput).toList();
    }

    /** The parameter of a compact constructor, which is declared nowhere (JLS 8.10.4.2). */
    private boolean isImplied(VariableElement element) {
        return code.element(fragment.member()).filter(element.getEnclosingElement()::equals).isPresent();
    }

    /** Whether the code after the fragment can be reached through it. */
    public boolean canComplete() {
        return canComplete;
    }

    /** The variables whose values are passed in, in the order of their declarations. */
    public List<Variable> inputs() {
        return inputs;
    }

    /** The variables that are declared anew in the method, in the order in which they occur. */
    public List<Variable> movedInside() {
        return movedInside;
    }

    /** The variables whose values are passed out. */
    public List<Variable> outputs() {
        return outputs;
    }

    /** All variables of the body around that occur in the fragment. */
    List<Variable> variables() {
        return variables;
    }
}
