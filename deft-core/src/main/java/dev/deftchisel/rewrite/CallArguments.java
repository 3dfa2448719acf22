package dev.deftchisel.rewrite;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javax.lang.model.element.ElementKind;

/**
 * What a call passes.
 *
 * @param code its file
 * @param call a call, or the creation of an object
 */
public record CallArguments(AttributedFile code, TreePath call) {

    /** The arguments in order. */
    public List<? extends ExpressionTree> all() {
        return call.getLeaf() instanceof MethodInvocationTree method ? method.getArguments()
                : ((NewClassTree) call.getLeaf())
                .getArguments();
    }

    /**
     * Hands over one more.
     *
     * @param index    that it gets
     * @param argument writes it
     */
    public Edit with(int index, Consumer<NewCode> argument) {
        List<? extends ExpressionTree> arguments = all();
        boolean isBefore = index < arguments.size();
        Optional<Range> list = inner();
        NewCode text = new NewCode(code.file()).write(arguments.isEmpty() || isBefore ? "" : ", ");
        text.write(list.isPresent() ? "" : "(");
        argument.accept(text);
        text.write(isBefore ? ", " : "").write(list.isPresent() ? "" : ")");
        return text.at(isBefore ? code.range(arguments.get(index)).start()
                : arguments.isEmpty() ? list.map(Range::start).orElseGet(this::end)
                : code.range(arguments.get(arguments.size() - 1)).end());
    }

    /** What stands between the parentheses; empty for a constant of an enum that has none (JLS 8.9.1). */
    public Optional<Range> inner() {
        Tokens tokens = code.tokens();
        List<? extends ExpressionTree> arguments = all();
        int open;
        int close;
        if (!arguments.isEmpty()) {
            open = tokens.codeBefore(tokens.at(code.range(arguments.get(0)).start()) - 1);
            close = tokens.code(tokens.at(code.range(arguments.get(arguments.size() - 1)).end() - 1) + 1);
        } else if (constant().isPresent()) {
            open = tokens.code(tokens.at(constant().get().end() - 1) + 1);
            close = open < tokens.count() ? tokens.code(open + 1) : open;
        } else {
            close = call.getLeaf() instanceof NewClassTree made && made.getClassBody() != null
                    ? tokens.codeBefore(tokens.at(code.range(made.getClassBody()).start() - 1))
                    : tokens.at(code.range(call.getLeaf()).end() - 1);
            open = tokens.codeBefore(close - 1);
        }
        return open < tokens.count() && tokens.is(open, "(") && tokens.is(close, ")")
                ? Optional.of(new Range(tokens.end(open), tokens.start(close))) : Optional.empty();
    }

    /** Where a list of arguments would come that is not there. */
    public int end() {
        return constant().map(Range::end).orElseGet(() -> code.range(call.getLeaf()).end());
    }

    /** The name of the constant of an enum that this call makes. */
    private Optional<Range> constant() {
        return call.getParentPath().getLeaf() instanceof VariableTree variable && code.element(call.getParentPath())
                .filter(element -> element.getKind() == ElementKind.ENUM_CONSTANT).isPresent()
                ? code.findName(variable) : Optional.empty();
    }
}
