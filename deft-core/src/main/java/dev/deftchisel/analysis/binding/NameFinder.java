package dev.deftchisel.analysis.binding;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.SourcePositions;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.Optional;

/**
 * Finds where the name of a tree stands, which the public tree API does not say: it walks tokens from a neighbour whose
 * position is known. Trees the compiler made up have no name in the text and give empty.
 */
public final class NameFinder {

    private final Tokens tokens;
    private final CompilationUnitTree unit;
    private final SourcePositions positions;

    public NameFinder(Tokens tokens, CompilationUnitTree unit, SourcePositions positions) {
        this.tokens = tokens;
        this.unit = unit;
        this.positions = positions;
    }

    int start(Tree tree) {
        return tree == null ? -1 : (int) positions.getStartPosition(unit, tree);
    }

    int end(Tree tree) {
        return tree == null ? -1 : (int) positions.getEndPosition(unit, tree);
    }

    /** The token that starts a tree, if it is this name. */
    Optional<Range> first(Tree tree, CharSequence name) {
        int start = start(tree);
        return start < 0 ? Optional.empty() : named(tokens.code(tokens.at(start)), name);
    }

    /** The token that ends a tree, if it is this name. */
    Optional<Range> last(Tree tree, CharSequence name) {
        int end = end(tree);
        return end <= 0 ? Optional.empty() : named(tokens.codeBefore(tokens.at(end - 1)), name);
    }

    /** The token that starts a tree, whatever it is. */
    Optional<Range> firstToken(Tree tree) {
        int start = start(tree);
        return start < 0 || start >= tokens.content().length()
                ? Optional.empty()
                : Optional.of(tokens.range(tokens.at(start)));
    }

    /** The name of a class, interface, enum, record or annotation type; empty for an anonymous class. */
    public Optional<Range> ofClass(ClassTree tree) {
        if (tree.getSimpleName().length() == 0) {
            return Optional.empty();
        }
        int from = Math.max(start(tree), end(tree.getModifiers()));
        return from < 0 ? Optional.empty() : forward(from, end(tree), tree.getSimpleName());
    }

    /**
     * The name of a method or constructor.
     *
     * @param name the name as written, that of the class for a constructor
     */
    public Optional<Range> ofMethod(MethodTree tree, CharSequence name) {
        if (end(tree) < 0) {
            return Optional.empty();
        }
        int from = Math.max(start(tree), end(tree.getModifiers()));
        for (Tree parameter : tree.getTypeParameters()) {
            from = Math.max(from, end(parameter));
        }
        from = Math.max(from, end(tree.getReturnType()));
        return from < 0 ? Optional.empty() : forward(from, end(tree), name);
    }

    /** Whether the token after a range is this character. */
    boolean isFollowedBy(Range name, char expected) {
        int after = tokens.code(tokens.at(name.start()) + 1);
        return after < tokens.count() && tokens.is(after, expected);
    }

    /** The name of a variable, parameter, field or enum constant. */
    public Optional<Range> ofVariable(VariableTree tree, boolean isEnumConstant) {
        if (end(tree) <= 0 || start(tree) < 0) {
            return Optional.empty();
        }
        if (isEnumConstant) {
            return forward(Math.max(start(tree), end(tree.getModifiers())), end(tree), tree.getName());
        }
        int initializer = start(tree.getInitializer());
        int from = initializer > start(tree)
                ? tokens.codeBefore(tokens.at(initializer) - 1)
                : tokens.codeBefore(tokens.at(end(tree) - 1));
        return backward(from, start(tree), tree.getName());
    }

    /** From a token backwards over what may stand after a declared name: {@code = ; , : [ ]}. */
    private Optional<Range> backward(int from, int start, CharSequence name) {
        for (int i = from; i >= 0 && tokens.start(i) >= start; i = tokens.codeBefore(i - 1)) {
            if (tokens.kind(i) == TokenKind.IDENTIFIER) {
                return named(i, name);
            }
            boolean passable = tokens.is(i, '=') || tokens.is(i, ';') || tokens.is(i, ',') || tokens.is(i, ':')
                    || tokens.is(i, '[') || tokens.is(i, ']') || tokens.is(i, ')') || tokens.is(i, "->");
            if (!passable) {
                return Optional.empty();
            }
        }
        return Optional.empty();
    }

    private Optional<Range> forward(int from, int end, CharSequence name) {
        for (int i = tokens.code(tokens.at(from)); i < tokens.count() && tokens.start(i) < end;
                i = tokens.code(i + 1)) {
            Optional<Range> found = tokens.start(i) >= from ? named(i, name) : Optional.empty();
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private Optional<Range> named(int index, CharSequence name) {
        return index >= 0 && index < tokens.count() && tokens.isName(index, name.toString())
                ? Optional.of(tokens.range(index))
                : Optional.empty();
    }
}
