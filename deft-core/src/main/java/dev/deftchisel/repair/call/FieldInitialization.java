package dev.deftchisel.repair.call;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.PrimitiveTypeTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.StatementLines;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;

/** Fields that constructors do not set, or set where they may not (JLS 8.10.4, 16.9). */
public final class FieldInitialization implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("canonical", "cant.assign.val.to.final.var", "cant.assign.val.to.var",
                "var.might.not.have.been.initialized", "invalid.canonical.constructor.in.record",
                "recursive.ctor.invocation", "var.might.already.be.assigned", "cant.ref.before.ctor.called");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return assigned(site);
    }

    /**
     * {@code count = count} of a parameter, {@code this.value = ...} in a compact constructor, a final field that is
     * set in a method.
     */
    private static List<Fix> assigned(ErrorSite site) {
        AttributedFile code = site.code();
        List<Fix> fixes = new ArrayList<>();
        Optional<TreePath> method = site.nearest(MethodTree.class);
        if (site.id().equals("var.might.not.have.been.initialized") && method.isPresent()
                && ((MethodTree) method.get().getLeaf()).getReturnType() == null) {
            MethodTree constructor = (MethodTree) method.get().getLeaf();
            constructor.getBody().getStatements().stream()
                    .filter(one -> code.find(one).isPresent() && one instanceof ExpressionStatementTree alone
                            && alone.getExpression() instanceof AssignmentTree set
                            && set.getVariable() instanceof IdentifierTree name && site.error().message()
                            .contains(" " + name.getName() + " "))
                    .findFirst().ifPresent(one -> fixes.add(
                            Fix.of("assign to the field", edits -> edits.insert(code.range(one).start(), "this."))));
            String field = site.error().message().replaceFirst("^variable (\\w+) .*", "$1");
            constructor.getParameters().stream().filter(parameter -> parameter.getName().contentEquals(field))
                    .findFirst()
                    .ifPresent(parameter -> fixes.add(Fix.of("set it to the parameter",
                            edits -> StatementLines.atEnd(edits, constructor.getBody(),
                            "this." + field + " = " + field + ";"))));
        }
        Optional<TreePath> set = site.nearest(AssignmentTree.class);
        boolean isInRecord = method.flatMap(code::enclosingType).filter(type -> type.getKind() == ElementKind.RECORD)
                .isPresent();
        if (set.isPresent() && ((AssignmentTree) set.get().getLeaf()).getVariable() instanceof MemberSelectTree select
                && isInRecord) {
            Range object = new Range(code.range(select).start(), code.range(select).end() - select.getIdentifier()
                    .length());
            boolean isCompact = method.filter(path -> ((MethodTree) path.getLeaf()).getReturnType() == null)
                    .isPresent();
            if (isCompact) {
                fixes.add(Fix.of("assign to the parameter", edits -> edits.cut(object)));
            }
        }
        if (set.isPresent() && isInRecord && set.get().getParentPath()
                .getLeaf() instanceof ExpressionStatementTree alone
                && method.filter(path -> ((MethodTree) path.getLeaf()).getReturnType() instanceof PrimitiveTypeTree)
                .isPresent()) {
            fixes.add(Fix.of("remove the assignment", edits -> edits.remove(code.range(alone))));
        }
        return fixes;
    }
}
