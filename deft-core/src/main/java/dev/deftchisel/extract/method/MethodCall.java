package dev.deftchisel.extract.method;

import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.extract.flow.AnalysedFragment;
import dev.deftchisel.extract.flow.Exits;
import dev.deftchisel.extract.flow.Flow;
import dev.deftchisel.extract.flow.Fragment;
import dev.deftchisel.extract.flow.Results;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;

/** Writes the call of a new method in the place of a fragment. */
final class MethodCall {

    private final AttributedFile code;
    private final Fragment fragment;
    private final Exits exits;
    private final ExtractedSignature signature;
    private final Results results;
    private final String name;
    private final List<Range> arguments;
    private final Layout layout;
    private final List<DuplicateClaim> alike = new ArrayList<>();

    /**
     * @param name      of the method, after its class and a dot where it is not known without it
     * @param arguments code of the file that is passed, in order
     */
    MethodCall(AnalysedFragment body, ExtractedSignature signature, Results results, String name,
            List<Range> arguments) {
        this.code = body.code();
        this.fragment = body.fragment();
        this.exits = body.exits();
        this.signature = signature;
        this.results = results;
        this.name = name;
        this.arguments = arguments;
        this.layout = Layout.of(code.file());
    }

    /** @param more what of the fragment need not be written again, besides what the call knows of */
    Edit edit(List<DuplicateClaim> more) {
        Edit edit = call();
        alike.addAll(more);
        return edit.giving(alike);
    }

    private Edit call() {
        NewCode text = new NewCode(code.file());
        if (fragment.isExpression()) {
            SelectedExpression selected = fragment.expression().orElseThrow();
            Range whole = selected.whole(code, selected.path());
            return invoke(text.apartFrom(whole.start())).replacing(whole);
        }
        Tree parent = fragment.parent().getLeaf();
        boolean isAlone = !TreePaths.statements(parent)
                .contains((StatementTree) fragment.parts().get(0).getLeaf());
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
            case THROWN -> invoke(text.write("return ")).write(";");
            case FLAGGED -> jump(invoke(text.write("if (")).write(") {" + newLine + layout.unit()))
                    .write(newLine + "}");
            case MARKED -> marked(text, newLine);
            case FOLLOWING -> {
                assign(text, newLine);
                jump(text.write(newLine));
            }
            default -> assign(text, newLine);
        }
    }

    private void assign(NewCode text, String newLine) {
        if (results.recordName().isPresent()) {
            String holder = results.holder(code);
            invoke(text.write(results.recordName().get() + " " + holder + " = ")).write(";");
            for (int i = 0; i < results.outputs().size(); i++) {
                target(text.write(newLine), results.outputs().get(i));
                text.write(holder + "." + results.components().get(i) + "();");
            }
            return;
        }
        results.outputs().forEach(output -> target(text, output));
        invoke(text).write(";");
    }

    /** The variable that gets a value, which is declared anew where the fragment declared it. */
    private void target(NewCode text, Flow.Variable output) {
        if (output.isDeclaredInside()) {
            VariableTree tree = (VariableTree) output.first().path().getLeaf();
            code.find(tree.getModifiers()).filter(range -> range.length() > 0)
                    .ifPresent(range -> text.carry(range).write(" "));
            boolean isVar = code.text(tree).matches("(?s)(final\\s+)?var\\s.*");
            if (isVar) {
                text.write("var ").carry(signature.nameOf(output));
            } else {
                signature.declare(text, output);
            }
        } else {
            text.carry(signature.nameOf(output));
        }
        text.write(" = ");
    }

    private NewCode jump(NewCode text) {
        Range first = code.range(exits.jumps().get(0).tree());
        exits.jumps().stream().skip(1).map(jump -> code.range(jump.tree()))
                .filter(range -> code.text(range).equals(code.text(first)))
                .forEach(range -> alike.add(new DuplicateClaim(range, first)));
        return text.carry(first);
    }

    private void marked(NewCode text, String newLine) {
        String result = NewName.free(code.tokens().names(), "result");
        signature.result(text);
        invoke(text.write(" " + result + " = ")).write(";" + newLine + "if (" + result + " != null) {" + newLine
                + layout.unit() + "return " + result + ";" + newLine + "}");
    }

    private NewCode invoke(NewCode text) {
        int simpleName = name.lastIndexOf('.') + 1;
        text.write(name.substring(0, simpleName)).name(name.substring(simpleName)).write("(");
        String separator = "";
        for (Range argument : arguments) {
            text.write(separator).carry(argument);
            separator = ", ";
        }
        return text.write(")");
    }
}
