package dev.deftchisel.signature.call;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.rewrite.place.InsertionPoint;
import dev.deftchisel.rewrite.place.InsertionPointFinder;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeMirror;

/**
 * The arguments of one call that must be evaluated in the order in which they stand (JLS 15.7.4) though they are passed
 * in another order, or not at all: they go into variables before the statement.
 */
final class EvaluatedBefore {

    private static final Set<Tree.Kind> STEPS = EnumSet.of(Tree.Kind.PREFIX_INCREMENT, Tree.Kind.PREFIX_DECREMENT,
            Tree.Kind.POSTFIX_INCREMENT, Tree.Kind.POSTFIX_DECREMENT);

    private final AttributedFile code;
    private final TreePath call;
    private final SignatureChange change;
    private final TypeWriter writer;
    private final NestedEdits edits;
    private final List<? extends ExpressionTree> arguments;
    private final List<Integer> order;
    private final Set<Integer> first = new TreeSet<>();
    private final Map<Integer, String> names = new HashMap<>();
    private Optional<InsertionPoint.Before> home = Optional.empty();

    /**
     * @param typed what is written in the file
     * @param call  the call
     * @param order the arguments that stay, by index, as they are passed afterwards
     * @param edits of the file
     */
    EvaluatedBefore(TypedCode typed, TreePath call, List<Integer> order, NestedEdits edits) {
        this.edits = edits;
        this.code = typed.code();
        this.call = call;
        this.change = typed.change();
        this.writer = typed.writer();
        this.arguments = Calls.arguments(call.getLeaf());
        this.order = order;
    }

    /** Finds what must go before the statement, and what is in the way of that. */
    Optional<Reason> find() {
        dropped();
        turned();
        predecessors();
        for (int argument : first) {
            Optional<Reason> objection = place(argument);
            if (objection.isPresent()) {
                return objection;
            }
        }
        return Optional.empty();
    }

    /** The arguments that are evaluated before the statement, whether they are passed or not. */
    Set<Integer> arguments() {
        return first;
    }

    /** The variable that is passed for an argument, when it is evaluated before the statement. */
    Optional<String> variable(int argument) {
        return Optional.ofNullable(names.get(argument));
    }

    private void dropped() {
        IntStream.range(0, arguments.size()).filter(i -> !order.contains(i) && !code.effects(path(i)).isPure())
                .forEach(first::add);
    }

    /** Of two of which one would notice that the other comes first now, the one that comes first today. */
    private void turned() {
        for (int i = 0; i < order.size(); i++) {
            for (int later = i + 1; later < order.size(); later++) {
                if (order.get(i) > order.get(later) && !commute(order.get(i), order.get(later))) {
                    first.add(order.get(later));
                }
            }
        }
    }

    /** What stands before one of them and would notice. */
    private void predecessors() {
        for (int i = arguments.size() - 1; i >= 0; i--) {
            int argument = i;
            boolean mustComeFirst = !first.contains(argument)
                    && first.stream().anyMatch(one -> one > argument && !commute(one, argument));
            if (mustComeFirst) {
                first.add(argument);
            }
        }
    }

    private boolean commute(int one, int other) {
        return code.effects(path(one)).commutesWith(code.effects(path(other)));
    }

    private TreePath path(int argument) {
        return new TreePath(call, arguments.get(argument));
    }

    private Optional<Reason> place(int argument) {
        TreePath path = path(argument);
        InsertionPointFinder finder = new InsertionPointFinder(code, code.effects(path));
        InsertionPoint point = finder.find(path);
        if (point instanceof InsertionPoint.Nowhere) {
            Set<Tree> hoisted = new HashSet<>();
            first.forEach(one -> hoisted.add(arguments.get(one)));
            point = finder.findHoisting(one -> hoisted.contains(one.getLeaf()))
                    .map(InsertionPointFinder.HoistedPredecessors::home).orElse(point);
        }
        Optional<String> type = isStatement(argument) ? Optional.of("") : type(argument);
        if (!(point instanceof InsertionPoint.Before before) || type.isEmpty()) {
            String what = order.contains(argument) ? "this would be evaluated after another argument, and the order "
                    + "can matter" : "this would not be evaluated any more, and it may do something or fail";
            return Optional.of(Reason.at(code.file().path(), code.range(arguments.get(argument)), what
                    + "; put its value in a variable before the call first"));
        }
        home = Optional.of(before);
        if (!isStatement(argument)) {
            names.put(argument, name(argument, before));
        }
        return Optional.empty();
    }

    /** Whether the value is not needed, and the expression can stand alone (JLS 14.8). */
    private boolean isStatement(int argument) {
        ExpressionTree tree = arguments.get(argument);
        return !order.contains(argument) && (tree instanceof MethodInvocationTree || tree instanceof NewClassTree
                || tree instanceof AssignmentTree || tree instanceof CompoundAssignmentTree
                || STEPS.contains(tree.getKind()));
    }

    /** That of the parameter where a box is opened, since that is when a box that is not there is noticed. */
    private Optional<String> type(int argument) {
        List<? extends VariableElement> parameters = code.element(call)
                .filter(ExecutableElement.class::isInstance).map(ExecutableElement.class::cast).orElseThrow()
                .getParameters();
        TypeMirror own = code.type(path(argument)).orElse(null);
        TypeMirror parameter = argument < parameters.size() ? parameters.get(argument).asType() : own;
        return own == null ? Optional.empty() : writer.write(parameter.getKind().isPrimitive() ? parameter : own);
    }

    private String name(int argument, InsertionPoint.Before before) {
        Range around = code.members().stream().filter(member -> member.encloses(code.range(before.tree()))).findFirst()
                .orElse(code.range(before.list()));
        Set<String> taken = new HashSet<>(edits.variables(around));
        taken.addAll(code.tokens().names(around));
        String name = NewName.free(taken, change.oldName(Math.min(argument, change.before() - 1)));
        edits.declaring(around, name);
        return name;
    }

    /** Writes them before the statement. */
    void write() {
        if (home.isEmpty()) {
            return;
        }
        int start = code.range(home.get().tree()).start();
        String newLine = Layout.of(code.file()).lineEnd() + Layout.indentOf(code.file(), start);
        List<Integer> all = new ArrayList<>(first);
        edits.replace(new Range(start, start), List.of(), text -> all.forEach(argument -> {
            variable(argument).ifPresent(name -> text.write(type(argument).orElseThrow() + " " + name
                    + " = "));
            edits.carry(text, code.range(arguments.get(argument)));
            text.write(";" + newLine);
        }));
    }
}
