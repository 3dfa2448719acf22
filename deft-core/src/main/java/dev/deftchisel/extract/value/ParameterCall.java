package dev.deftchisel.extract.value;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.change.Edit;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.CallArguments;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.rewrite.Transplant;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.rewrite.ValueWriter;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;

/**
 * One call of a method that gets another parameter: writes the value that it passes, in which the parameters of the
 * method have become the arguments of the call, and the method's object the one it is called on.
 */
final class ParameterCall {

    private final AttributedFile code;
    private final TreePath path;
    private final AttributedFile from;
    private final TreePath value;
    private final ExecutableElement called;
    private final TypeWriter writer;

    /**
     * What is to be passed.
     *
     * @param code   the file of the value
     * @param path   the value
     * @param method the method around it
     */
    record Passed(AttributedFile code, TreePath path, ExecutableElement method) {
    }

    /**
     * @param code   the file of the call
     * @param path   the call, or the creation of an object
     * @param writer of types in the file of the call
     */
    ParameterCall(AttributedFile code, TreePath path, Passed passed, TypeWriter writer) {
        this.code = code;
        this.path = path;
        this.from = passed.code();
        this.value = passed.path();
        this.called = passed.method();
        this.writer = writer;
    }

    /**
     * Why the value cannot be passed here; empty when it can.
     *
     * @param needed the parameters that it needs
     * @param isPure whether it cannot be told when it is computed
     * @param place  the index of the new parameter
     */
    Optional<Reason> objection(List<Occurrence> needed, boolean isPure, int place) {
        if (!code.sharesTypesWith(from)) {
            return reason(path, "the call is in a part of the workspace that is compiled apart from the method");
        }
        for (Occurrence one : needed) {
            int index = called.getParameters().indexOf(one.variable());
            boolean isPacked = called.isVarArgs() && index == called.getParameters().size() - 1;
            if (isPacked || index >= arguments().size()) {
                return reason(path, "the value needs all of '" + one.variable()
                        .getSimpleName() + "', which is no one argument here");
            }
            TreePath argument = new TreePath(path, arguments().get(index));
            if (!isSameAgain(argument)) {
                return reason(argument, "the value needs this too, and working it out twice may do something twice or "
                        + "give"
                        + " something else");
            }
        }
        Optional<TreePath> turned = arguments().stream().skip(place).map(later -> new TreePath(path, later))
                .filter(later -> !code.effects(later).commutesWith(from.effects(value))).findFirst();
        if (turned.isPresent()) {
            return reason(turned.get(), "the value would be computed before this, and the order can matter");
        }
        Optional<TreePath> object = object();
        if (object.isPresent() && from.dependsOnThis(value) && !isSameAgain(object.get())) {
            return reason(object.get(), "the value needs this object too, and working it out twice may give another");
        }
        boolean isNeverNull = object.isEmpty() || object.get().getLeaf() instanceof NewClassTree
                || object.get().getLeaf() instanceof IdentifierTree name && name.getName().contentEquals("this");
        return isPure || isNeverNull ? Optional.empty()
                : reason(object.get(), "this may be null, which is found out after the value has been computed");
    }

    private Optional<Reason> reason(TreePath at, String sentence) {
        return Optional.of(Reason.at(code.file().path(), code.range(at.getLeaf()), sentence));
    }

    /** Whether an expression gives the same when it is computed again among the arguments. */
    private boolean isSameAgain(TreePath expression) {
        Effects effects = code.effects(expression);
        return effects.isPure() && !effects.isFresh() && arguments().stream()
                .map(other -> code.effects(new TreePath(path, other)))
                .allMatch(other -> !other.isVisible() || effects.commutesWith(other));
    }

    private List<? extends ExpressionTree> arguments() {
        return new CallArguments(code, path).all();
    }

    /** What the method is called on, where that is written and is an object. */
    private Optional<TreePath> object() {
        if (!(path.getLeaf() instanceof MethodInvocationTree call)
                || !(call.getMethodSelect() instanceof MemberSelectTree select)
                || called.getModifiers().contains(Modifier.STATIC)
                || select.getExpression() instanceof IdentifierTree name && name.getName().contentEquals("super")) {
            return Optional.empty();
        }
        return Optional.of(new TreePath(new TreePath(path, select), select.getExpression()));
    }

    /**
     * Writes the value as one more argument.
     *
     * @param type  of the value
     * @param index of the new parameter
     * @return empty when a type would have to be written that has no name
     */
    Optional<Edit> edit(TypeMirror type, int index) {
        boolean[] isWritten = {false};
        Edit edit = new CallArguments(code, path).with(index, text -> isWritten[0] = write(text));
        return isWritten[0] ? Optional.of(edit) : Optional.empty();
    }

    private boolean write(NewCode text) {
        boolean[] isWritten = {true};
        Range range = from.range(value.getLeaf());
        SortedMap<Range, Consumer<NewCode>> instead =
                new TreeMap<>(new Transplant(from, code, path, writer, this::object)
                .names(List.of(value), object().isPresent()));
        for (Occurrence one : from.occurrences(value)) {
            int index = called.getParameters().indexOf(one.variable());
            if (index >= 0) {
                instead.put(from.range(one.path().getLeaf()), to -> isWritten[0] &= argument(to, index, one.path()));
            }
        }
        text.from(from.file()).carry(range, indent(from, value), indent(code, path), instead);
        return isWritten[0];
    }

    private void object(NewCode text) {
        TreePath object = object().orElseThrow();
        boolean isGrouped = Precedence.needsParenthesesBeforeDot((ExpressionTree) object.getLeaf());
        text.write(isGrouped ? "(" : "");
        text.from(code.file()).carry(code.range(object.getLeaf()));
        text.write(isGrouped ? ")" : "");
    }

    private boolean argument(NewCode text, int index, TreePath use) {
        TreePath argument = new TreePath(path, arguments().get(index));
        TypeMirror formal = called.getParameters().get(index).asType();
        Range range = code.range(argument.getLeaf());
        return new ValueWriter(code, argument, declared(index).orElse(formal), formal, writer)
                .write(text.from(code.file()), from, use,
                (to, instead) -> to.carry(range, "", "", instead));
    }

    /** The type of a parameter with the type arguments of the call. */
    private Optional<TypeMirror> declared(int index) {
        return path.getLeaf() instanceof MethodInvocationTree call
                ? code.type(new TreePath(path, call.getMethodSelect()))
                        .filter(type -> type instanceof ExecutableType)
                        .map(type -> (TypeMirror) ((ExecutableType) type).getParameterTypes().get(index))
                : Optional.empty();
    }

    private static String indent(AttributedFile code, TreePath path) {
        return Layout.indentOf(code.file(), code.range(path.getLeaf()).start());
    }
}
