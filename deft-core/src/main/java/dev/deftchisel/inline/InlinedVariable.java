package dev.deftchisel.inline;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;

/**
 * A local variable that gives way to its value.
 *
 * @param code        the file
 * @param declaration the path to its declaration
 * @param variable    the element
 * @param uses        where it is read, in order
 */
record InlinedVariable(AttributedFile code, TreePath declaration, Element variable, List<TreePath> uses) {

    /** What {@link #of} finds: the variable, or why it cannot be inlined wherever it is used. */
    sealed interface VariableResult {
    }

    /** The variable. */
    record Inlinable(InlinedVariable variable) implements VariableResult {
    }

    /** Why not. */
    record NotInlinable(Reason reason) implements VariableResult {
    }

    VariableTree tree() {
        return (VariableTree) declaration.getLeaf();
    }

    ExpressionTree value() {
        return tree().getInitializer();
    }

    TreePath valuePath() {
        return new TreePath(declaration, value());
    }

    /** The statements among which it is declared. */
    List<? extends StatementTree> list() {
        return TreePaths.statements(declaration.getParentPath().getLeaf());
    }

    /** Looks at a local variable, as its declaration or one of its uses. */
    static VariableResult of(Analysis analysis, AttributedFile code, SymbolKey key) {
        Optional<Binding> declared = analysis.declaration(key);
        Optional<TreePath> path = declared.flatMap(binding -> code.around(binding.range()).stream()
                .filter(around -> around.getLeaf() instanceof VariableTree)
                .findFirst());
        if (path.isEmpty()) {
            return new NotInlinable(Reason.of("its declaration was not found"));
        }
        VariableTree tree = (VariableTree) path.get().getLeaf();
        Range place = declared.get().range();
        return objection(code, path.get(), tree, place)
                .map(found -> (VariableResult) found)
                .orElseGet(() -> withUses(analysis, code, path.get(), key));
    }

    private static Optional<NotInlinable> objection(AttributedFile code, TreePath path, VariableTree tree,
            Range place) {
        if (!TreePaths.statements(path.getParentPath().getLeaf()).contains(tree)) {
            return no(code, place, "'" + tree.getName() + "' is declared in the head of a statement");
        } else if (tree.getInitializer() == null) {
            return no(code, place, "'" + tree.getName() + "' gets no value where it is declared");
        } else if (!tree.getModifiers().getAnnotations().isEmpty()) {
            return no(code, place, "its declaration has annotations, which would be lost");
        }
        Range whole = code.range(tree);
        Tokens tokens = code.tokens();
        boolean isAlone = tokens.is(tokens.codeBefore(tokens.at(whole.end() - 1)), ';') && tokens.start(
                tokens.code(tokens.at(whole.start()))) == whole.start() && sharing(code, path, whole.start()) == 1;
        if (!isAlone) {
            return no(code, place, "'" + tree.getName()
                    + "' is declared together with others; split the declaration first");
        }
        return commentIn(code, whole, code.range(tree.getInitializer()))
                .flatMap(comment -> no(code, comment, "a comment in the declaration would be lost; move it first"));
    }

    /** {@code int a = 1, b = 2;} is two trees that share their start. */
    private static int sharing(AttributedFile code, TreePath path, int start) {
        return (int) TreePaths.statements(path.getParentPath().getLeaf()).stream()
                .filter(one -> one instanceof VariableTree && code.range(one).start() == start)
                .count();
    }

    private static Optional<Range> commentIn(AttributedFile code, Range whole, Range value) {
        Tokens tokens = code.tokens();
        for (int i = tokens.at(whole.start()); i < tokens.count() && tokens.start(i) < whole.end(); i++) {
            TokenKind kind = tokens.kind(i);
            if (kind.isComment() && !value.encloses(tokens.range(i))) {
                return Optional.of(tokens.range(i));
            }
        }
        return Optional.empty();
    }

    private static Optional<NotInlinable> no(AttributedFile code, Range place, String sentence) {
        return Optional.of(new NotInlinable(Reason.at(code.file().path(), place, sentence)));
    }

    private static VariableResult withUses(Analysis analysis, AttributedFile code, TreePath path, SymbolKey key) {
        List<TreePath> uses = new ArrayList<>();
        for (Binding use : analysis.uses(key)) {
            if (use.role() == Role.DECLARATION) {
                continue;
            }
            Optional<TreePath> found = code.around(use.range()).stream()
                    .filter(around -> around.getLeaf() instanceof IdentifierTree)
                    .findFirst();
            if (use.role() == Role.WRITE) {
                return new NotInlinable(Reason.at(code.file().path(), use.range(),
                        "the variable is assigned again here"));
            } else if (found.isEmpty() || found.get().getParentPath().getLeaf() instanceof TryTree) {
                return new NotInlinable(Reason.at(code.file().path(), use.range(),
                        "only a variable may stand here (JLS 14.20.3)"));
            }
            uses.add(found.get());
        }
        return code.element(path)
                .map(variable -> uses.isEmpty()
                        ? (VariableResult) new NotInlinable(Reason.at(code.file().path(), code.range(path.getLeaf()),
                                "the variable is never used"))
                        : new Inlinable(new InlinedVariable(code, path, variable, List.copyOf(uses))))
                .orElseGet(() -> new NotInlinable(Reason.of("the compiler does not know the variable")));
    }
}
