package dev.deftchisel.rewrite;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.source.Tokens;
import java.util.List;
import java.util.function.Consumer;

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
        NewCode text = new NewCode(code.file()).write(arguments.isEmpty() || isBefore ? "" : ", ");
        argument.accept(text);
        text.write(isBefore ? ", " : "");
        return text.at(isBefore ? code.range(arguments.get(index)).start()
                : arguments.isEmpty() ? opening() : code.range(arguments.get(arguments.size() - 1)).end());
    }

    /** After the parenthesis that opens the empty list of arguments. */
    private int opening() {
        Tokens tokens = code.tokens();
        int close = call.getLeaf() instanceof NewClassTree made && made.getClassBody() != null
                ? tokens.codeBefore(tokens.at(code.range(made.getClassBody()).start() - 1))
                : tokens.at(code.range(call.getLeaf()).end() - 1);
        return tokens.end(tokens.codeBefore(close - 1));
    }
}
