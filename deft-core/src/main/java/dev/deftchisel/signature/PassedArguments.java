package dev.deftchisel.signature;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.CallArguments;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.VariableElement;

/** Writes what one call passes afterwards. */
final class PassedArguments {

    private final TypedCode typed;
    private final SignatureChange change;
    private final AttributedFile code;
    private final TreePath call;
    private final NestedEdits edits;
    private final List<? extends ExpressionTree> arguments;
    private Optional<Reason> objection = Optional.empty();

    /**
     * @param typed  what is written in the file of the call
     * @param call   the call, or the creation of an object
     * @param edits  of the file
     */
    PassedArguments(TypedCode typed, TreePath call, NestedEdits edits) {
        this.typed = typed;
        this.change = typed.change();
        this.code = typed.code();
        this.call = call;
        this.edits = edits;
        this.arguments = Calls.arguments(call.getLeaf());
    }

    /** What is in the way; when nothing is, all is written. */
    Optional<Reason> write() {
        int least = change.before() - (change.own().element().isVarArgs() ? 1 : 0);
        if (arguments.size() < least || arguments.size() > change.before() && !change.own().element().isVarArgs()) {
            return at(code.range(call.getLeaf()), "this call does not compile; mend it first");
        }
        Optional<Reason> turned = turned().or(this::lost);
        if (turned.isPresent()) {
            return turned;
        }
        CallArguments passed = new CallArguments(code, call);
        Optional<Range> inner = passed.inner();
        ListSlots slots = new ListSlots(code.file(), inner.orElse(new Range(0, 0)), arguments.stream()
                .map(code::range).toList());
        List<ListSlots.Item> items = new ArrayList<>();
        for (int i = 0; i < change.origins().size() && objection.isEmpty(); i++) {
            if (change.isAdded(i)) {
                value(i).ifPresent(value -> items.add(ListSlots.Item.of(text -> text.write(value))));
            } else {
                group(change.origins().get(i)).forEach(argument -> items.add(slots.item(argument, edits)));
            }
        }
        if (objection.isPresent()) {
            return objection;
        }
        Range list = inner.orElse(new Range(passed.end(), passed.end()));
        edits.replace(list, dropped().stream().map(code::range).toList(), text -> {
            text.write(inner.isPresent() || items.isEmpty() ? "" : "(");
            slots.write(text, items);
            text.write(inner.isPresent() || items.isEmpty() ? "" : ")");
        });
        return Optional.empty();
    }

    private Optional<Reason> at(Range range, String sentence) {
        return Optional.of(Reason.at(code.file().path(), range, sentence));
    }

    /** The arguments for a parameter, by index; several, or none, for one of any number. */
    private List<Integer> group(int origin) {
        boolean isAnyNumber = change.own().element().isVarArgs() && origin == change.before() - 1;
        return IntStream.range(origin, isAnyNumber ? arguments.size() : origin + 1).boxed().toList();
    }

    private List<ExpressionTree> dropped() {
        List<ExpressionTree> found = new ArrayList<>();
        for (int i = 0; i < change.before(); i++) {
            if (!change.origins().contains(i)) {
                group(i).forEach(argument -> found.add(arguments.get(argument)));
            }
        }
        return found;
    }

    /** An argument that does something and would not be evaluated any more. */
    private Optional<Reason> lost() {
        return dropped().stream().filter(argument -> !code.effects(new TreePath(call, argument)).isPure()).findFirst()
                .flatMap(argument -> at(code.range(argument), "this would not be evaluated any more, and it may do "
                        + "something or fail; put its value in a variable before the call first"));
    }

    /** Two arguments of which one would notice that the other comes first now (JLS 15.7.4). */
    private Optional<Reason> turned() {
        List<Integer> order = change.origins().stream().filter(origin -> origin >= 0)
                .flatMap(origin -> group(origin).stream()).toList();
        for (int i = 0; i < order.size(); i++) {
            for (int later = i + 1; later < order.size(); later++) {
                if (order.get(i) > order.get(later) && !code.effects(argument(order.get(i)))
                        .commutesWith(code.effects(argument(order.get(later))))) {
                    return at(code.range(arguments.get(order.get(i))), "this would be evaluated before '"
                            + code.shown(code.range(arguments.get(order.get(later))), 40)
                            + "', and the order can matter; put one of them in a variable before the call first");
                }
            }
        }
        return Optional.empty();
    }

    private TreePath argument(int index) {
        return new TreePath(call, arguments.get(index));
    }

    private Optional<String> value(int index) {
        Optional<Range> said = change.typed().parameters().get(index).value();
        Optional<String> value = said.isPresent() ? said.map(typed::value)
                : inReach(index);
        boolean isAnyNumber = change.types().method().isVarArgs() && index == change.origins().size() - 1;
        if (value.isEmpty() && !isAnyNumber) {
            objection = at(code.range(call.getLeaf()), "nothing here is a '" + change.name(index)
                    + "' that this call could pass; type what calls pass: '"
                    + change.typed().at(change.typed().parameters().get(index).type()) + " " + change.name(index)
                    + " = ...'");
        }
        return value;
    }

    /** The variable of the name and type of the parameter, else the only one of its type; the innermost kind first. */
    private Optional<String> inReach(int index) {
        String type = change.types().code().descriptor(change.type(index));
        List<VariableElement> fitting = code.visible(call).stream()
                .filter(element -> element instanceof VariableElement && !element.getSimpleName().contentEquals("this")
                        && !element.getSimpleName().contentEquals("super")
                        && code.descriptor(element.asType()).equals(type))
                .map(element -> (VariableElement) element).toList();
        Optional<VariableElement> named = fitting.stream()
                .filter(variable -> variable.getSimpleName().contentEquals(change.name(index))).findFirst();
        List<VariableElement> local = fitting.stream().filter(variable -> !variable.getKind().isField()).toList();
        List<VariableElement> nearest = local.isEmpty() ? fitting : local;
        return named.or(() -> nearest.size() == 1 ? Optional.of(nearest.get(0)) : Optional.empty())
                .map(Element::getSimpleName).map(Object::toString);
    }
}
