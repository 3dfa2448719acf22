package dev.deftchisel.signature.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.CallArguments;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.ListSlots;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Writes what one call passes afterwards. */
public final class PassedArguments {

    private final TypedCode typed;
    private final SignatureChange change;
    private final AttributedFile code;
    private final TreePath call;
    private final NestedEdits edits;
    private final List<? extends ExpressionTree> arguments;

    /**
     * @param typed  what is written in the file of the call
     * @param call   the call, or the creation of an object
     * @param edits  of the file
     */
    public PassedArguments(TypedCode typed, TreePath call, NestedEdits edits) {
        this.typed = typed;
        this.change = typed.change();
        this.code = typed.code();
        this.call = call;
        this.edits = edits;
        this.arguments = Calls.arguments(call.getLeaf());
    }

    /** What is in the way; when nothing is, all is written. */
    public Optional<Reason> write() {
        int least = change.before() - (change.own().element().isVarArgs() ? 1 : 0);
        if (arguments.size() < least || arguments.size() > change.before() && !change.own().element().isVarArgs()) {
            return Optional.of(Reason.at(code.file().path(), code.range(call.getLeaf()),
                    "this call does not compile; mend it first"));
        }
        Optional<CallObject> object = change.movesObject() ? Optional.of(new CallObject(typed, call, edits))
                : Optional.empty();
        Stream<Integer> passedOn = IntStream.range(0, change.origins().size()).boxed()
                .flatMap(i -> Stream.concat(change.components(i).stream(), Stream.of(change.origins().get(i))));
        EvaluatedBefore before = new EvaluatedBefore(typed, call, Stream.concat(change.objectParameter().stream(),
                passedOn).filter(origin -> origin >= 0).flatMap(origin -> group(origin).stream()).toList(), edits);
        Optional<Reason> objection = object.flatMap(CallObject::objection).or(before::find);
        boolean isOvertaken = !before.arguments().isEmpty() && object.filter(CallObject::isComputed).isPresent();
        if (objection.isEmpty() && isOvertaken) {
            objection = Optional.of(Reason.at(code.file().path(), code.range(call.getLeaf()), "the object is found "
                    + "after arguments here that would have to come first; put it in a variable first"));
        }
        if (objection.isPresent()) {
            return objection;
        }
        CallArguments passed = new CallArguments(code, call);
        Optional<Range> inner = passed.inner();
        ListSlots slots = new ListSlots(code.file(), inner.orElse(new Range(0, 0)), arguments.stream()
                .map(code::range).toList());
        List<ListSlots.Item> items = new ArrayList<>();
        NewArgument added = new NewArgument(typed, call);
        for (int i = 0; i < change.origins().size(); i++) {
            if (change.isObject(i)) {
                items.add(ListSlots.Item.of(text -> object.orElseThrow().argument(text)));
            } else if (!change.components(i).isEmpty()) {
                Optional<String> type = typed.writer().write(change.type(i));
                if (type.isEmpty()) {
                    return Optional.of(Reason.at(code.file().path(), code.range(call.getLeaf()),
                            "the record has no name that could be written here"));
                }
                List<Integer> components = change.components(i);
                items.add(ListSlots.Item.of(text -> listed(text.write("new " + type.get() + "("), components, slots,
                        before).write(")")));
            } else if (change.isAdded(i)) {
                Optional<String> value = added.value(i);
                if (value.isEmpty() && !added.isOptional(i)) {
                    return Optional.of(added.objection(i));
                }
                value.ifPresent(one -> items.add(ListSlots.Item.of(text -> text.write(one))));
            } else if (change.origins().get(i) == change.before() - 1 && change.packs() && isOneByOne()) {
                Optional<String> type = typed.writer().write(((ArrayType) change.type(i)).getComponentType());
                if (type.isEmpty()) {
                    return Optional.of(Reason.at(code.file().path(), code.range(call.getLeaf()),
                            "no array of these can be made"));
                }
                List<Integer> all = group(change.before() - 1);
                items.add(ListSlots.Item.of(text -> packed(text, type.get(), all, slots, before)));
            } else {
                group(change.origins().get(i)).forEach(argument -> items.add(before.variable(argument)
                        .map(name -> ListSlots.Item.of(text -> text.write(name)))
                        .orElseGet(() -> slots.item(argument, edits))));
            }
        }
        before.write();
        object.ifPresent(CallObject::write);
        Range list = inner.orElse(new Range(passed.end(), passed.end()));
        edits.replace(list, leftOut(before.arguments()), text -> {
            text.write(inner.isPresent() || items.isEmpty() ? "" : "(");
            slots.write(text, items);
            text.write(inner.isPresent() || items.isEmpty() ? "" : ")");
        });
        return Optional.empty();
    }

    /** Whether what is passed for a parameter of any number is no array already (JLS 15.12.2.4). */
    private boolean isOneByOne() {
        TypeMirror array = change.own().element().getParameters().get(change.before() - 1).asType();
        boolean isOne = arguments.size() == change.before();
        TypeMirror last = isOne ? code.type(new TreePath(call, arguments.get(change.before() - 1))).orElse(null) : null;
        return last == null || last.getKind() != TypeKind.NULL && (last.getKind() != TypeKind.ARRAY
                || !code.descriptor(last).equals(change.own().code().descriptor(array))
                && !code.element(call).filter(ExecutableElement.class::isInstance).map(method -> code.isKind(last,
                code.types().erasure(((ExecutableElement) method).getParameters().get(change.before() - 1).asType())))
                .orElse(false));
    }

    private void packed(NewCode text, String type, List<Integer> all, ListSlots slots, EvaluatedBefore before) {
        listed(text.write("new " + type + "[] {"), all, slots, before).write("}");
    }

    private NewCode listed(NewCode text, List<Integer> all, ListSlots slots, EvaluatedBefore before) {
        String comma = "";
        for (int argument : all) {
            text.write(comma);
            before.variable(argument).ifPresentOrElse(text::write, () -> edits.carry(text, slots.slot(argument)));
            comma = ", ";
        }
        return text;
    }

    /** The arguments for a parameter, by index; several, or none, for one of any number. */
    private List<Integer> group(int origin) {
        boolean isAnyNumber = change.own().element().isVarArgs() && origin == change.before() - 1;
        return IntStream.range(origin, isAnyNumber ? arguments.size() : origin + 1).boxed().toList();
    }

    /** The arguments that go, and that nobody misses. */
    private List<Range> leftOut(Set<Integer> evaluated) {
        List<Range> found = new ArrayList<>();
        for (int i = 0; i < change.before(); i++) {
            if (change.isLeftOut(i)) {
                group(i).stream().filter(argument -> !evaluated.contains(argument))
                        .forEach(argument -> found.add(code.range(arguments.get(argument))));
            }
        }
        return found;
    }
}
