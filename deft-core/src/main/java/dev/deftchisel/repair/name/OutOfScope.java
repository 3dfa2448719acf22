package dev.deftchisel.repair.name;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.type.TypeMirror;

/** A variable that is declared in a block and used after it (JLS 6.3): it is declared before the block instead. */
public final class OutOfScope implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve.location", "cant.resolve");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> use = site.around().stream().filter(path -> path.getLeaf() instanceof IdentifierTree)
                .findFirst();
        Optional<TreePath> method = site.nearest(MethodTree.class);
        if (use.isEmpty() || method.isEmpty()) {
            return List.of();
        }
        String name = ((IdentifierTree) use.get().getLeaf()).getName().toString();
        int at = code.range(use.get().getLeaf()).start();
        List<TreePath> declared = declarations(method.get(), name, at, code);
        if (declared.isEmpty()) {
            return List.of();
        }
        Optional<TreePath> around = common(declared, use.get(), code);
        Optional<TypeMirror> type = code.element(declared.get(0)).map(element -> element.asType());
        if (around.isEmpty() || type.isEmpty()) {
            return List.of();
        }
        return isCountedUp(declared.get(0), code)
                ? List.of(Fix.of("declare '" + name + "' before the block",
                        edits -> moved(edits, around.get().getLeaf(), (VariableTree) declared.get(0).getLeaf())))
                        : List.of(Fix.of("declare '" + name + "' before the block",
                                edits -> hoist(edits, around.get().getLeaf(), declared, type.get())));
    }

    /** Declarations of the name in blocks that end before the use. */
    private static List<TreePath> declarations(TreePath method, String name, int at, AttributedFile code) {
        List<TreePath> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitVariable(VariableTree tree, Void unused) {
                Tree parent = getCurrentPath().getParentPath().getLeaf();
                boolean isLocal = parent instanceof BlockTree || parent instanceof CaseTree
                        || parent instanceof ForLoopTree;
                if (isLocal && tree.getName().contentEquals(name) && code.find(tree).filter(range -> range.end() <= at)
                        .isPresent()) {
                    found.add(getCurrentPath());
                }
                return super.visitVariable(tree, null);
            }

            @Override
            public Void visitLambdaExpression(LambdaExpressionTree tree, Void unused) {
                return null;
            }
        }.scan(method, null);
        return found;
    }

    /** The statement that has all declarations within and stands in a block which is also around the use. */
    private static Optional<TreePath> common(List<TreePath> declared, TreePath use, AttributedFile code) {
        for (TreePath at = declared.get(0).getParentPath(); at != null
                && at.getParentPath() != null; at = at.getParentPath()) {
            Tree parent = at.getParentPath().getLeaf();
            boolean isAroundUse = parent instanceof BlockTree
                    && TreePaths.leadsThrough(use, null, tree -> tree == parent);
            if (isAroundUse && at.getLeaf() instanceof StatementTree) {
                Range range = code.range(at.getLeaf());
                return declared.stream().allMatch(one -> range.encloses(code.range(one.getLeaf()))) ? Optional.of(at)
                        : Optional.empty();
            }
        }
        return Optional.empty();
    }

    /**
     * Whether a variable only grows from where it starts, so that it is meant to start once:
     * {@code int sum = 0; sum += due;} (JLS 15.26.2).
     */
    private static boolean isCountedUp(TreePath declared, AttributedFile code) {
        Optional<Element> element = code.element(declared);
        boolean hasStart = ((VariableTree) declared.getLeaf()).getInitializer() instanceof LiteralTree
                || ((VariableTree) declared.getLeaf()).getInitializer() instanceof NewClassTree;
        TreePath block = declared.getParentPath();
        List<Tree> written = code.occurrences(block).stream()
                .filter(one -> element.filter(one.variable()::equals).isPresent()
                && one.isWritten() && one.access() != Occurrence.Access.DECLARED)
                .map(one -> one.path().getParentPath().getLeaf()).toList();
        return hasStart && block.getLeaf() instanceof BlockTree && !written.isEmpty()
                && written.stream().allMatch(tree -> tree instanceof CompoundAssignmentTree
                        || tree instanceof UnaryTree);
    }

    /** Declares a variable with its value before a statement instead of within it. */
    private static void moved(FixEdits edits, Tree statement, VariableTree variable) {
        AttributedFile code = edits.code();
        int start = code.range(statement).start();
        edits.insert(start, code.text(variable) + Layout.of(code.file())
                .lineEnd() + Layout.indentOf(code.file(), start));
        edits.remove(code.range(variable));
    }

    /** Declares a variable with a default before a statement, and assigns to it where it was declared. */
    static void hoist(FixEdits edits, Tree statement, List<TreePath> declared, TypeMirror type) {
        AttributedFile code = edits.code();
        VariableTree first = (VariableTree) declared.get(0).getLeaf();
        String written = edits.types().write(type).orElse("var");
        int start = code.range(statement).start();
        edits.insert(start, written + " " + first.getName() + " = " + DefaultValues.of(type) + ";"
                + Layout.of(code.file()).lineEnd()
                + Layout.indentOf(code.file(), start));
        for (TreePath one : declared) {
            VariableTree tree = (VariableTree) one.getLeaf();
            Range range = code.range(tree);
            if (tree.getInitializer() == null) {
                edits.remove(range);
            } else {
                edits.cut(new Range(range.start(), code.name(tree).start()));
            }
        }
    }
}
