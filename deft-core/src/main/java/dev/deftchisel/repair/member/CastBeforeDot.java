package dev.deftchisel.repair.member;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * {@code (Pier) other.depth}: a dot binds more tightly than a cast does (JLS 15.16), which was meant for what stands
 * before it.
 */
public final class CastBeforeDot implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve.location", "cant.resolve.location.args");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> select = site.nearest(MemberSelectTree.class);
        Optional<TypeCastTree> cast = select.flatMap(path -> {
            TreePath value = path.getParentPath().getLeaf() instanceof MethodInvocationTree call
                    && call.getMethodSelect() == path.getLeaf() ? path.getParentPath() : path;
            return value.getParentPath().getLeaf() instanceof TypeCastTree tree ? Optional.of(tree) : Optional.empty();
        });
        if (cast.isEmpty()) {
            return List.of();
        }
        ExpressionTree object = ((MemberSelectTree) select.get().getLeaf()).getExpression();
        Range range = code.range(object);
        return List.of(Fix.of("cast '" + code.shown(range, 30) + "' alone", edits -> {
            edits.insert(code.range(cast.get()).start(), "(");
            edits.insert(range.end(), ")");
        }));
    }
}
