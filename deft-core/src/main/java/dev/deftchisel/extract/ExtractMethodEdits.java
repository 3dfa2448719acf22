package dev.deftchisel.extract;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Jumps;
import dev.deftchisel.change.Alike;
import dev.deftchisel.change.Edit;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;

/** Writes the method behind the member that a fragment is in, and its call where the fragment was. */
final class ExtractMethodEdits {

    private final Code code;
    private final Fragment fragment;
    private final Flow flow;
    private final Exits exits;
    private final Signature signature;
    private final TypeWriter writer;
    private final String name;
    private final String visibility;
    private final Layout layout;
    private final List<Alike> alike = new ArrayList<>();
    private Optional<Reason> objection = Optional.empty();

    ExtractMethodEdits(Code code, Fragment fragment, Flow flow, Exits exits, Signature signature, TypeWriter writer,
            String name, String visibility) {
        this.code = code;
        this.fragment = fragment;
        this.flow = flow;
        this.exits = exits;
        this.signature = signature;
        this.writer = writer;
        this.name = name;
        this.visibility = visibility;
        this.layout = Layout.of(code.file());
    }

    /** Why it could not be written; empty when it could. Asked after {@link #all()}. */
    Optional<Reason> objection() {
        return objection;
    }

    List<Edit> all() {
        List<Edit> edits = new ArrayList<>();
        Edit method = method();
        edits.add(call().giving(alike));
        edits.add(method);
        edits.addAll(writer.imports());
        return edits;
    }

    private void unnamed(Range at, String what) {
        if (objection.isEmpty()) {
            objection = Optional.of(Reason.at(code.file().path(), at, "the type of " + what
                    + " has no name that could be written here"));
        }
    }

    private Edit method() {
        Tree member = fragment.member().getLeaf();
        int end = Layout.behind(code.file(), code.range(member).end());
        String indent = Layout.indentOf(code.file(), code.range(member).start());
        NewCode text = new NewCode(code.file()).write(layout.lineEnd() + layout.lineEnd() + indent);
        head(text);
        body(text.write(" {"), indent + layout.unit());
        return text.write(layout.lineEnd() + indent + "}").at(end);
    }

    private void head(NewCode text) {
        text.write(visibility).write(signature.isStatic() ? "static " : "");
        signature.typeParameters(text);
        if (!signature.result(text)) {
            unnamed(fragment.range(), "the result");
        }
        text.write(" ").name(name).write("(");
        String separator = "";
        boolean isFinal = signature.hasFinalParameters();
        for (Flow.Variable input : flow.inputs()) {
            declare(text.write(separator).write(isFinal && !input.isWritten() ? "final " : ""), input);
            separator = ", ";
        }
        Optional<List<String>> exceptions = signature.exceptions();
        if (exceptions.isEmpty()) {
            unnamed(fragment.range(), "an exception");
        }
        List<String> types = exceptions.orElse(List.of());
        text.write(")").write(types.isEmpty() ? "" : " throws " + String.join(", ", types));
    }

    /** Type and name. */
    private NewCode declare(NewCode text, Flow.Variable variable) {
        if (!signature.type(text, variable)) {
            unnamed(code.range(variable.first().path().getLeaf()), "'" + variable.name() + "'");
        }
        text.write(" ");
        Optional<Range> declared = signature.declaredName(variable);
        declared.ifPresentOrElse(text::carry, () -> text.write(variable.name()));
        return text;
    }

    private void body(NewCode text, String indent) {
        String newLine = layout.lineEnd() + indent;
        String oldIndent = Layout.indentOf(code.file(), fragment.range().start());
        if (fragment.isExpression()) {
            text.write(newLine + "return ").carry(fragment.range(), oldIndent, indent).write(";");
            return;
        }
        SortedMap<Range, Consumer<NewCode>> instead = new TreeMap<>();
        Optional<Range> result = onlyResult();
        result.ifPresent(head -> instead.put(head, to -> to.write("return ")));
        for (Flow.Variable variable : flow.movedInside()) {
            if (result.isPresent() && flow.outputs().contains(variable)) {
                continue;
            }
            variable.settingStatement().ifPresentOrElse(
                    statement -> instead.put(code.range(((AssignmentTree) variable.first().path().getParentPath().getLeaf())
                            .getVariable()), to -> declareAtFirstValue(to, variable)),
                    () -> declare(text.write(newLine), variable).write(";"));
        }
        for (Jumps.Jump jump : exits.jumps()) {
            replacement(jump).ifPresent(written -> instead.put(gone(jump), written));
        }
        text.write(newLine).carry(fragment.range(), oldIndent, indent, instead);
        if (exits.kind() == Exits.Kind.FLAGGED || exits.kind() == Exits.Kind.MARKED) {
            text.write(newLine + (exits.kind() == Exits.Kind.FLAGGED ? "return false;" : "return null;"));
        } else if (result.isEmpty() && exits.kind() != Exits.Kind.RETURNED && !flow.outputs().isEmpty() && flow.canComplete()) {
            returned(text.write(newLine));
        }
    }

    /**
     * What stands before the value of the result when the last statement does nothing but give it: {@code int sum =} of
     * {@code int sum = length + 2;}. The method then returns the value itself.
     */
    private Optional<Range> onlyResult() {
        Tree last = fragment.parts().get(fragment.parts().size() - 1).getLeaf();
        if (exits.kind() != Exits.Kind.NONE || flow.outputs().size() != 1 || !flow.outputs().get(0).occursOnce()) {
            return Optional.empty();
        }
        Flow.Variable output = flow.outputs().get(0);
        Optional<Tree> value = last instanceof VariableTree tree && tree == output.first().path().getLeaf()
                && code.text(tree).endsWith(";") ? Optional.ofNullable(tree.getInitializer())
                : output.settingStatement().filter(path -> path.getLeaf() == last)
                        .map(path -> ((AssignmentTree) ((ExpressionStatementTree) last).getExpression()).getExpression());
        return value.filter(tree -> !(tree instanceof NewArrayTree array && array.getType() == null))
                .map(tree -> new Range(code.range(last).start(), code.range(tree).start()))
                .filter(this::hasNoComment);
    }

    private boolean hasNoComment(Range range) {
        for (int i = code.tokens().at(range.start()); code.tokens().start(i) < range.end(); i++) {
            if (code.tokens().kind(i).isComment()) {
                return false;
            }
        }
        return true;
    }

    private void declareAtFirstValue(NewCode to, Flow.Variable variable) {
        declare(to, variable);
        Range used = code.range(variable.first().path().getLeaf());
        signature.declaredName(variable).ifPresent(declared -> alike.add(new Alike(used, declared)));
    }

    private NewCode returned(NewCode text) {
        return text.write("return ").carry(nameOf(flow.outputs().get(0))).write(";");
    }

    /** Where the name of a variable stands within the fragment. */
    private Range nameOf(Flow.Variable variable) {
        Tree tree = variable.first().path().getLeaf();
        return tree instanceof VariableTree ? signature.declaredName(variable).orElseThrow() : code.range(tree);
    }

    /** What a jump out of the fragment becomes in the method; empty when it stays. */
    private Optional<Consumer<NewCode>> replacement(Jumps.Jump jump) {
        boolean isReturn = jump.tree().getKind() == Tree.Kind.RETURN;
        return switch (exits.kind()) {
            case FLAGGED -> Optional.of(to -> to.write("return true;"));
            case DROPPED, FOLLOWING -> !flow.outputs().isEmpty() ? Optional.of(this::returned)
                    : isDropped(jump) ? Optional.of(to -> { })
                    : isReturn ? Optional.empty() : Optional.of(to -> to.write("return;"));
            case RETURNED -> isReturn ? Optional.empty() : Optional.of(to -> yielded(to, jump));
            default -> Optional.empty();
        };
    }

    private void yielded(NewCode to, Jumps.Jump jump) {
        Range value = code.range(jump.value().orElseThrow());
        to.write("return ").carry(value).carry(new Range(value.end(), code.range(jump.tree()).end()));
    }

    /** Whether nothing takes the place of a jump, since it is the last statement and hands nothing over. */
    private boolean isDropped(Jumps.Jump jump) {
        List<TreePath> parts = fragment.parts();
        return (exits.kind() == Exits.Kind.DROPPED || exits.kind() == Exits.Kind.FOLLOWING) && flow.outputs().isEmpty()
                && parts.size() > 1 && parts.get(parts.size() - 1).getLeaf() == jump.tree();
    }

    /** The jump, with the white space before it when nothing is written instead. */
    private Range gone(Jumps.Jump jump) {
        Range range = code.range(jump.tree());
        boolean isDropped = isDropped(jump);
        int start = range.start();
        while (isDropped && start > fragment.range().start()
                && Character.isWhitespace(code.file().content().charAt(start - 1))) {
            start--;
        }
        return new Range(start, range.end());
    }

    private Edit call() {
        NewCode text = new NewCode(code.file());
        if (fragment.isExpression()) {
            Selected selected = fragment.expression().orElseThrow();
            Range whole = selected.whole(code, selected.path());
            return invoke(text.apartFrom(whole.start())).replacing(whole);
        }
        Tree parent = fragment.parent().getLeaf();
        boolean isAlone = !Code.statements(parent).contains((StatementTree) fragment.parts().get(0).getLeaf());
        boolean isSeveral = exits.kind() == Exits.Kind.FOLLOWING || exits.kind() == Exits.Kind.FLAGGED
                || exits.kind() == Exits.Kind.MARKED;
        int start = fragment.range().start();
        if (!isAlone || !isSeveral) {
            invocation(text, layout.lineEnd() + Layout.indentOf(code.file(), start));
            return text.replacing(fragment.range());
        }
        String newLine = layout.lineEnd() + Layout.indentOf(code.file(), code.range(parent).start());
        invocation(text.write(" {" + newLine + layout.unit()), newLine + layout.unit());
        while (Character.isWhitespace(code.file().content().charAt(start - 1))) {
            start--;
        }
        return text.write(newLine + "}").replacing(new Range(start, fragment.range().end()));
    }

    private void invocation(NewCode text, String newLine) {
        switch (exits.kind()) {
            case RETURNED -> invoke(text.write(exits.jumps().get(0).tree().getKind() == Tree.Kind.RETURN
                    ? "return " : "yield ")).write(";");
            case FLAGGED -> jump(invoke(text.write("if (")).write(") {" + newLine + layout.unit())).write(newLine + "}");
            case MARKED -> marked(text, newLine);
            case FOLLOWING -> {
                assign(text);
                jump(text.write(newLine));
            }
            default -> assign(text);
        }
    }

    private void assign(NewCode text) {
        if (!flow.outputs().isEmpty()) {
            Flow.Variable output = flow.outputs().get(0);
            if (output.isDeclaredInside()) {
                VariableTree tree = (VariableTree) output.first().path().getLeaf();
                code.find(tree.getModifiers()).filter(range -> range.length() > 0)
                        .ifPresent(range -> text.carry(range).write(" "));
                boolean isVar = code.text(tree).matches("(?s)(final\\s+)?var\\s.*");
                if (isVar) {
                    text.write("var ").carry(nameOf(output));
                } else {
                    declare(text, output);
                }
            } else {
                text.carry(nameOf(output));
            }
            text.write(" = ");
        }
        invoke(text).write(";");
    }

    private NewCode jump(NewCode text) {
        Range first = code.range(exits.jumps().get(0).tree());
        exits.jumps().stream().skip(1).map(jump -> code.range(jump.tree()))
                .filter(range -> code.text(range).equals(code.text(first)))
                .forEach(range -> alike.add(new Alike(range, first)));
        return text.carry(first);
    }

    private void marked(NewCode text, String newLine) {
        String result = NewName.free(code.tokens().names(), "result");
        signature.result(text);
        invoke(text.write(" " + result + " = ")).write(";" + newLine + "if (" + result + " != null) {" + newLine
                + layout.unit() + "return " + result + ";" + newLine + "}");
    }

    private NewCode invoke(NewCode text) {
        text.name(name).write("(");
        String separator = "";
        for (Flow.Variable input : flow.inputs()) {
            text.write(separator).carry(code.range(input.first().path().getLeaf()));
            separator = ", ";
        }
        return text.write(")");
    }
}
