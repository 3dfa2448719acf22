package dev.deftchisel.repair.name;

import com.sun.source.tree.BreakTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * {@code break outer;} where no statement around has that label (JLS 14.7, 14.15): a near one is meant, or the
 * outermost loop.
 */
public final class JumpLabel implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("undef.label", "not.loop.label");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> jump = site.around().stream()
                .filter(path -> path.getLeaf() instanceof BreakTree || path.getLeaf() instanceof ContinueTree)
                .findFirst();
        if (jump.isEmpty()) {
            return List.of();
        }
        String name = String.valueOf(jump.get().getLeaf() instanceof BreakTree stop ? stop.getLabel()
                : ((ContinueTree) jump.get().getLeaf()).getLabel());
        Range range = code.range(jump.get().getLeaf());
        int at = range.start() + code.text(range)
                .indexOf(name, jump.get().getLeaf() instanceof BreakTree ? "break".length() : "continue".length());
        List<String> labels = new ArrayList<>();
        List<Tree> loops = new ArrayList<>();
        for (TreePath path = jump.get(); path != null
                && !TreePaths.runsApart(path.getLeaf()); path = path.getParentPath()) {
            if (path.getLeaf() instanceof LabeledStatementTree labelled) {
                labels.add(labelled.getLabel().toString());
            } else if (isLoop(path.getLeaf()) && !(path.getParentPath().getLeaf() instanceof LabeledStatementTree)) {
                loops.add(path.getLeaf());
            }
        }
        List<Fix> fixes = new ArrayList<>(Spelling.near(name, labels).stream().limit(1)
                .map(near -> Fix.of("write '" + near + "'",
                        edits -> edits.replace(new Range(at, at + name.length()), near))).toList());
        if (!loops.isEmpty() && !labels.contains(name)) {
            int start = code.range(loops.get(loops.size() - 1)).start();
            fixes.add(Fix.of("put the label '" + name + "' before the outermost loop",
                    edits -> edits.insert(start, name + ":" + Layout.of(code.file()).lineEnd()
                    + Layout.indentOf(code.file(), start))));
        }
        return fixes;
    }

    private static boolean isLoop(Tree tree) {
        return tree instanceof ForLoopTree || tree instanceof EnhancedForLoopTree || tree instanceof WhileLoopTree
                || tree instanceof DoWhileLoopTree;
    }
}
