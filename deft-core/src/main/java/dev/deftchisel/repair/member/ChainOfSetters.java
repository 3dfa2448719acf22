package dev.deftchisel.repair.member;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** {@code berth.setName("a").setDepth(3);} of methods without a result: each call is a statement of its own. */
public final class ChainOfSetters implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.deref");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> statement = site.nearest(ExpressionStatementTree.class)
                .filter(path -> path.getParentPath().getLeaf() instanceof BlockTree);
        List<Range> calls = new ArrayList<>();
        ExpressionTree at = statement.map(path -> ((ExpressionStatementTree) path.getLeaf()).getExpression())
                .orElse(null);
        while (at instanceof MethodInvocationTree call && call.getMethodSelect() instanceof MemberSelectTree select) {
            int end = code.range(select).end() - select.getIdentifier().length();
            calls.add(0, new Range(end, code.range(call).end()));
            at = select.getExpression();
        }
        if (calls.size() < 2 || at == null || !code.text(at).matches("[\\w.]+")) {
            return List.of();
        }
        String object = code.text(at);
        int start = code.range(statement.get().getLeaf()).start();
        String line = ";" + Layout.of(code.file()).lineEnd() + Layout.indentOf(code.file(), start);
        return List.of(Fix.of("call each on '" + object + "'", edits -> {
            for (int i = 1; i < calls.size(); i++) {
                edits.replace(new Range(calls.get(i - 1).end(), calls.get(i).start()), line + object + ".");
            }
        }));
    }
}
