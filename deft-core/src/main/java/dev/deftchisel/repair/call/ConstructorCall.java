package dev.deftchisel.repair.call;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.DeclaredType;

/**
 * {@code berth.Berth("a");} for {@code berth = new Berth("a");}: a constructor is no method of the object (JLS 8.8,
 * 15.9).
 */
public final class ConstructorCall implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve.location.args", "var.might.not.have.been.initialized");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(MethodInvocationTree.class)
                .filter(path -> path.getParentPath().getLeaf() instanceof ExpressionStatementTree
                && ((MethodInvocationTree) path.getLeaf()).getMethodSelect() instanceof MemberSelectTree select
                && select.getExpression() instanceof IdentifierTree
                && code.type(new TreePath(new TreePath(path, select), select.getExpression()))
                .filter(type -> type instanceof DeclaredType known
                && known.asElement().getSimpleName().equals(select.getIdentifier())).isPresent());
        return found.map(path -> {
            Range object = code.range(((MemberSelectTree) ((MethodInvocationTree) path.getLeaf()).getMethodSelect())
                    .getExpression());
            return List.of(Fix.of("make it by 'new'",
                    edits -> edits.replace(new Range(object.end(), object.end() + 1), " = new ")));
        }).orElse(List.of());
    }
}
