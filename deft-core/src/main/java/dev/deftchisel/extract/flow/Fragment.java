package dev.deftchisel.extract.flow;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Code that can become the body of a method: statements that follow each other, or an expression.
 *
 * @param parts      the statements, or the expression alone
 * @param range      of its code, with the comments that are selected with it
 * @param expression the expression; empty for statements
 */
public record Fragment(List<TreePath> parts, Range range, Optional<SelectedExpression> expression) {

    /**
     * What is selected, give or take white space; from a bare caret, the expressions around it.
     *
     * @return the candidates, best first
     */
    public static List<Fragment> at(AttributedFile code, Range selection) {
        Optional<Fragment> statements = selection.length() == 0 ? Optional.empty() : statements(code, selection);
        return statements.map(List::of).orElseGet(() -> SelectedExpression.at(code, selection).stream()
                .filter(selected -> member(selected.path()).isPresent())
                .map(selected -> new Fragment(List.of(selected.path()), selected.range(), Optional.of(selected)))
                .toList());
    }

    /**
     * All that is as long and of the same kind within a tree, in the order of the text.
     *
     * @param isOwnFile whether it is the file of this one, which is left out then
     */
    List<Fragment> others(AttributedFile code, TreePath within, boolean isOwnFile) {
        List<Fragment> found = new ArrayList<>();
        if (isExpression()) {
            code.expressions(within).stream()
                    .filter(path -> path.getLeaf().getKind() == parts.get(0).getLeaf().getKind()
                            && SelectedExpression.isValue(code, path)
                            && member(path).isPresent())
                    .map(path -> new SelectedExpression(path, code.range(path.getLeaf())))
                    .forEach(selected -> found.add(new Fragment(List.of(selected.path()), selected.range(),
                            Optional.of(selected))));
        } else {
            lists(code, within).forEach(list -> {
                for (int i = 0; i + parts.size() <= list.size(); i++) {
                    List<TreePath> run = list.subList(i, i + parts.size());
                    if (run.get(0).getLeaf().getKind() == parts.get(0).getLeaf().getKind() && member(run.get(0))
                            .isPresent()) {
                        found.add(new Fragment(run, ends(code, run), Optional.empty()));
                    }
                }
            });
        }
        found.removeIf(other -> isOwnFile && other.range().overlaps(range));
        return found;
    }

    /**
     * The lists of statements within a tree; a statement that is the only one of a branch or loop is a list by itself.
     */
    private static List<List<TreePath>> lists(AttributedFile code, TreePath within) {
        List<List<TreePath>> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void scan(Tree tree, Void unused) {
                if (tree == null) {
                    return null;
                }
                TreePath path = new TreePath(getCurrentPath(), tree);
                Tree parent = getCurrentPath().getLeaf();
                boolean isAlone = tree instanceof StatementTree
                        && !(tree instanceof BlockTree || tree instanceof ClassTree)
                        && (parent instanceof IfTree || Jumps.isLoop(parent)) && code.find(tree).isPresent()
                        && !(parent instanceof ForLoopTree loop && loop.getStatement() != tree)
                        && !(tree instanceof VariableTree);
                List<TreePath> list = isAlone ? List.of(path) : TreePaths.statements(tree).stream()
                        .filter(statement -> code.find(statement).isPresent())
                        .map(statement -> new TreePath(path, statement)).toList();
                if (!list.isEmpty()) {
                    found.add(list);
                }
                return super.scan(tree, null);
            }
        }.scan(within, null);
        return found;
    }

    private static Optional<Fragment> statements(AttributedFile code, Range selection) {
        Tokens tokens = code.tokens();
        int first = tokens.code(tokens.at(selection.start()));
        int last = tokens.codeBefore(tokens.at(selection.end() - 1));
        if (first >= tokens.count() || last < first) {
            return Optional.empty();
        }
        Range trimmed = new Range(tokens.start(first), tokens.end(last));
        for (TreePath path : code.around(trimmed)) {
            List<TreePath> found = within(code, path, trimmed);
            if (!found.isEmpty()) {
                return Optional.of(new Fragment(found, withComments(code, selection, ends(code, found)),
                        Optional.empty()));
            }
        }
        return Optional.empty();
    }

    /** The statements of a tree that a range covers; those of a block when it covers that. */
    private static List<TreePath> within(AttributedFile code, TreePath path, Range range) {
        Tree tree = path.getLeaf();
        boolean isWhole = tree instanceof StatementTree && !(tree instanceof ClassTree) && code.range(tree)
                .equals(range);
        Tree parent = path.getParentPath() == null ? null : path.getParentPath().getLeaf();
        if (parent instanceof ForLoopTree loop && loop.getStatement() != tree) {
            // what stands in a header has no semicolon of its own
            return List.of();
        }
        if (isWhole && tree instanceof BlockTree) {
            // the compiler adds statements that stand nowhere
            return TreePaths.statements(tree).stream().filter(statement -> code.find(statement).isPresent())
                    .map(statement -> new TreePath(path, statement)).toList();
        } else if (isWhole && !(tree instanceof VariableTree && path.getParentPath().getLeaf() instanceof ClassTree)) {
            return List.of(path);
        } else if (tree instanceof ExpressionStatementTree alone && code.range(alone.getExpression()).equals(range)) {
            return List.of(path);
        }
        List<TreePath> found = TreePaths.statements(tree).stream()
                .filter(statement -> code.find(statement).filter(range::encloses).isPresent())
                .map(statement -> new TreePath(path, statement))
                .toList();
        return !found.isEmpty() && ends(code, found).equals(range) ? found : List.of();
    }

    private static Range ends(AttributedFile code, List<TreePath> parts) {
        return new Range(code.range(parts.get(0).getLeaf()).start(),
                code.range(parts.get(parts.size() - 1).getLeaf()).end());
    }

    /** Comments within the selection travel along, and one after the last statement on its line. */
    private static Range withComments(AttributedFile code, Range selection, Range range) {
        Tokens tokens = code.tokens();
        int start = range.start();
        for (int i = tokens.at(range.start()) - 1; i >= 0 && tokens.start(i) >= selection.start()
                && !isCode(tokens, i); i--) {
            start = tokens.kind(i).isComment() ? tokens.start(i) : start;
        }
        int end = range.end();
        boolean onLine = true;
        for (int i = tokens.at(range.end() - 1) + 1; i < tokens.count() && !isCode(tokens, i); i++) {
            onLine &= !(tokens.kind(i) == TokenKind.WHITE_SPACE && tokens.text(i).matches("(?s).*[\r\n].*"));
            boolean isTaken = tokens.end(i) <= selection.end() || onLine;
            end = tokens.kind(i).isComment() && isTaken ? tokens.end(i) : end;
        }
        return new Range(start, end);
    }

    private static boolean isCode(Tokens tokens, int token) {
        return tokens.kind(token) != TokenKind.WHITE_SPACE && !tokens.kind(token).isComment();
    }

    /** As it can stand in a title. */
    public String shown(AttributedFile code) {
        return isExpression() || parts.size() == 1 ? "'" + code.shown(range, 50) + "'" : parts.size() + " statements";
    }

    public boolean isExpression() {
        return expression.isPresent();
    }

    /** The tree around the parts. */
    public TreePath parent() {
        return parts.get(0).getParentPath();
    }

    /** The member of a class in whose body it stands. */
    public TreePath member() {
        return member(parts.get(0)).orElseThrow();
    }

    private static Optional<TreePath> member(TreePath path) {
        for (TreePath at = path; at.getParentPath() != null; at = at.getParentPath()) {
            if (at.getParentPath().getLeaf() instanceof ClassTree) {
                Tree tree = at.getLeaf();
                boolean isBody = tree instanceof MethodTree || tree instanceof BlockTree
                        || tree instanceof VariableTree;
                return isBody && at != path ? Optional.of(at) : Optional.empty();
            }
        }
        return Optional.empty();
    }

    boolean contains(int offset) {
        return range.contains(offset);
    }
}
