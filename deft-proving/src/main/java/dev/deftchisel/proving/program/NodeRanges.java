package dev.deftchisel.proving.program;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.SourcePositions;
import com.sun.source.util.TreeScanner;
import com.sun.source.util.Trees;
import dev.deftchisel.source.Range;
import java.io.IOException;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;

/**
 * What somebody may select with sense: each expression, each statement, some statements after each other. Found by the
 * parser alone.
 */
final class NodeRanges extends TreeScanner<Void, Void> {

    private final CompilationUnitTree unit;
    private final SourcePositions positions;
    private final List<Range> found = new ArrayList<>();

    private NodeRanges(CompilationUnitTree unit, SourcePositions positions) {
        this.unit = unit;
        this.positions = positions;
    }

    static List<Range> of(String text) throws IOException {
        JavaFileObject source = new SimpleJavaFileObject(URI.create("text:///Text.java"), JavaFileObject.Kind.SOURCE) {
            @Override
            public CharSequence getCharContent(boolean ignoreEncodingErrors) {
                return text;
            }
        };
        JavacTask task = (JavacTask) ToolProvider.getSystemJavaCompiler()
                .getTask(null, null, diagnostic -> { }, List.of("-proc:none"),
                null, List.of(source));
        CompilationUnitTree unit = task.parse().iterator().next();
        NodeRanges ranges = new NodeRanges(unit, Trees.instance(task).getSourcePositions());
        ranges.scan(unit, null);
        return ranges.found;
    }

    @Override
    public Void scan(Tree tree, Void nothing) {
        if (tree instanceof ExpressionTree || tree instanceof StatementTree) {
            add(tree, tree);
        }
        return super.scan(tree, nothing);
    }

    @Override
    public Void visitBlock(BlockTree block, Void nothing) {
        runs(block.getStatements());
        return super.visitBlock(block, nothing);
    }

    @Override
    public Void visitCase(CaseTree branch, Void nothing) {
        if (branch.getStatements() != null) {
            runs(branch.getStatements());
        }
        return super.visitCase(branch, nothing);
    }

    private void runs(List<? extends StatementTree> statements) {
        for (int first = 0; first < statements.size(); first++) {
            for (int last = first + 1; last < Math.min(statements.size(), first + 4); last++) {
                add(statements.get(first), statements.get(last));
            }
        }
    }

    private void add(Tree first, Tree last) {
        long start = positions.getStartPosition(unit, first);
        long end = positions.getEndPosition(unit, last);
        if (start >= 0 && end > start) {
            found.add(new Range((int) start, (int) end));
        }
    }
}
