package dev.deftchisel.extract.method;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.extract.flow.AnalysedFragment;
import dev.deftchisel.extract.flow.Exits;
import dev.deftchisel.extract.flow.Flow;
import dev.deftchisel.extract.flow.Fragment;
import dev.deftchisel.extract.flow.Inputs;
import dev.deftchisel.extract.flow.Results;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Transplant;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;

/** Writes the method that a fragment becomes, after the member that the fragment is in. */
final class ExtractedMethod {

    private final AttributedFile code;
    private final Fragment fragment;
    private final Flow flow;
    private final Exits exits;
    private final ExtractedSignature signature;
    private final Inputs inputs;
    private final Results results;
    private final MethodHome home;
    private final String name;
    private final AccessLevel access;
    private final Layout layout;
    private final List<DuplicateClaim> alike = new ArrayList<>();
    private Optional<Reason> objection = Optional.empty();

    ExtractedMethod(AnalysedFragment body, MethodInterface agreed, MethodHome home, String name, AccessLevel access) {
        this.code = body.code();
        this.fragment = body.fragment();
        this.flow = body.flow();
        this.exits = body.exits();
        this.signature = agreed.signature();
        this.inputs = agreed.inputs();
        this.results = agreed.results();
        this.home = home;
        this.name = name;
        this.access = access;
        this.layout = Layout.of(code.file());
    }

    /**
     * The method as it is written.
     *
     * @param alike     what of the fragment need not be written again
     * @param objection why it could not be written; empty when it could
     */
    record Written(Edit edit, List<DuplicateClaim> alike, Optional<Reason> objection) {
    }

    /** Writes it; to be called once. */
    Written write() {
        Edit edit = edit();
        return new Written(edit, List.copyOf(alike), objection);
    }

    private void unnamed(Range at, String what) {
        if (objection.isEmpty()) {
            objection = Optional.of(Reason.at(code.file().path(), at, "the type of " + what
                    + " has no name that could be written here"));
        }
    }

    private Edit edit() {
        Tree member = home.member().getLeaf();
        int end = Layout.after(code.file(), code.range(member).end());
        String indent = Layout.indentOf(code.file(), code.range(member).start());
        NewCode text = new NewCode(code.file()).write(layout.lineEnd() + layout.lineEnd() + indent);
        signature.suppression().ifPresent(annotation -> text.write(code.text(annotation) + layout.lineEnd() + indent));
        head(text);
        body(text.write(" {"), indent + layout.unit());
        text.write(layout.lineEnd() + indent + "}");
        results.recordName().ifPresent(record -> declareRecord(text, record, layout.lineEnd() + indent));
        return text.at(end);
    }

    private void declareRecord(NewCode text, String record, String newLine) {
        text.write(layout.lineEnd() + newLine + (isInInterface() ? "" : "private ") + "record " + record + "(");
        String separator = "";
        for (Flow.Variable output : results.outputs()) {
            signature.type(text.write(separator), output);
            text.write(" " + output.name());
            separator = ", ";
        }
        text.write(") {" + newLine + "}");
    }

    private boolean isInInterface() {
        return code.element(home.owner()).filter(type -> type.getKind().isInterface()).isPresent();
    }

    private void head(NewCode text) {
        boolean isStatic = signature.isStatic(home);
        boolean isOpen = isInInterface() && access != AccessLevel.PRIVATE;
        // the methods of an interface that are not private are public without saying so (JLS 9.4)
        text.write(isOpen ? "" : access.prefix()).write(isStatic ? "static " : isOpen ? "default " : "");
        signature.typeParameters(text);
        if (results.recordName().isPresent()) {
            text.write(results.recordName().get());
        } else if (!signature.result(text)) {
            unnamed(fragment.range(), "the result");
        }
        text.write(" ").name(name).write("(");
        String separator = "";
        boolean isFinal = signature.hasFinalParameters();
        for (Flow.Variable input : inputs.variables()) {
            text.write(separator).write(isFinal && !input.isWritten() ? "final " : "");
            String other = inputs.names().get(input.element());
            if (other == null) {
                declare(text, input);
            } else {
                signature.type(text, input);
                text.write(" " + other);
            }
            separator = ", ";
        }
        for (Inputs.Varied varied : inputs.varied()) {
            text.write(separator).write((isFinal ? "final " : "") + varied.type() + " " + varied.name());
            separator = ", ";
        }
        Optional<List<String>> exceptions = signature.exceptions();
        if (exceptions.isEmpty()) {
            unnamed(fragment.range(), "an exception");
        }
        List<String> types = exceptions.orElse(List.of());
        text.write(")").write(types.isEmpty() ? "" : " throws " + String.join(", ", types));
    }

    /** What is written otherwise than in the fragment. */
    private SortedMap<Range, Consumer<NewCode>> names() {
        SortedMap<Range, Consumer<NewCode>> instead = !home.isOuter() ? new TreeMap<>()
                : new TreeMap<>(new Transplant(code, code, home.owner(), signature.writer(), text -> { })
                        .names(fragment.parts(), false));
        inputs.varied().forEach(varied -> varied.places()
                .forEach(place -> instead.put(place, to -> to.write(varied.name()))));
        inputs.variables().stream().filter(one -> inputs.names().containsKey(one.element()))
                .forEach(one -> one.namesInside().stream()
                        .filter(range -> instead.keySet().stream().noneMatch(known -> known.encloses(range)))
                        .forEach(range -> instead.put(range, to -> to.write(inputs.names().get(one.element())))));
        return instead;
    }

    private void body(NewCode text, String indent) {
        String newLine = layout.lineEnd() + indent;
        String oldIndent = Layout.indentOf(code.file(), fragment.range().start());
        SortedMap<Range, Consumer<NewCode>> instead = names();
        if (fragment.isExpression()) {
            text.write(newLine + "return ").carry(fragment.range(), oldIndent, indent, instead).write(";");
            return;
        }
        Optional<Range> result = onlyResult();
        result.ifPresent(head -> instead.put(head, to -> to.write("return ")));
        for (Flow.Variable variable : flow.movedInside()) {
            if (result.isPresent() && flow.outputs().contains(variable)) {
                continue;
            }
            variable.settingStatement().ifPresentOrElse(
                    statement -> instead.put(code.range(((AssignmentTree) variable.first().path().getParentPath()
                            .getLeaf())
                            .getVariable()), to -> declareAtFirstValue(to, variable)),
                    () -> {
                        declare(text.write(newLine), variable);
                        text.write(";");
                    });
        }
        for (Jumps.Jump jump : exits.jumps()) {
            replacement(jump).ifPresent(written -> instead.put(gone(jump), written));
        }
        text.write(newLine).carry(fragment.range(), oldIndent, indent, instead);
        if (exits.kind() == Exits.Kind.FLAGGED || exits.kind() == Exits.Kind.MARKED) {
            text.write(newLine + (exits.kind() == Exits.Kind.FLAGGED ? "return false;" : "return null;"));
        } else if (result.isEmpty() && exits.kind() != Exits.Kind.RETURNED && !flow.outputs().isEmpty()
                && flow.canComplete()) {
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
                        .map(path -> ((AssignmentTree) ((ExpressionStatementTree) last).getExpression())
                                .getExpression());
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
        signature.declaredName(variable).ifPresent(declared -> alike.add(new DuplicateClaim(used, declared)));
    }

    private NewCode returned(NewCode text) {
        text.write("return ").write(results.recordName().map(record -> "new " + record + "(").orElse(""));
        String separator = "";
        for (Flow.Variable output : results.outputs()) {
            text.write(separator).carry(signature.nameOf(output));
            separator = ", ";
        }
        return text.write(results.recordName().isPresent() ? ");" : ";");
    }

    /** Type and name. */
    private void declare(NewCode text, Flow.Variable variable) {
        if (!signature.declare(text, variable)) {
            unnamed(code.range(variable.first().path().getLeaf()), "'" + variable.name() + "'");
        }
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

    /** Whether nothing takes the place of a jump, since it is the last statement and passes nothing. */
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
}
