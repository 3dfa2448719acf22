package dev.deftchisel.repair.member;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;

/**
 * {@code pier.depth = 4} of a record, whose components never change (JLS 8.10.3): the variable gets a copy with another
 * value.
 */
public final class RecordCopy implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.assign.val.to.final.var", "cant.assign.val.to.var", "report.access");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(AssignmentTree.class)
                .filter(path -> path.getParentPath().getLeaf() instanceof ExpressionStatementTree
                && ((AssignmentTree) path.getLeaf()).getVariable() instanceof MemberSelectTree select
                && select.getExpression() instanceof IdentifierTree object
                && !object.getName().contentEquals("this"));
        if (found.isEmpty()) {
            return List.of();
        }
        AssignmentTree set = (AssignmentTree) found.get().getLeaf();
        MemberSelectTree select = (MemberSelectTree) set.getVariable();
        Optional<TypeElement> record = code.type(new TreePath(new TreePath(found.get(), select),
                select.getExpression())).filter(type -> type instanceof DeclaredType)
                .map(type -> (TypeElement) ((DeclaredType) type).asElement())
                .filter(type -> type.getKind() == ElementKind.RECORD);
        String object = code.text(select.getExpression());
        return record.map(type -> Fix.of("make a copy with another '" + select.getIdentifier() + "'",
                edits -> edits.replace(set, to -> {
            String arguments = type.getRecordComponents().stream()
                    .map(component -> component.getSimpleName().contentEquals(select.getIdentifier())
                    ? code.text(set.getExpression()) : object + "." + component.getSimpleName() + "()")
                    .collect(Collectors.joining(", "));
            to.write(object + " = new " + edits.types().name(type) + (type.getTypeParameters().isEmpty() ? "" : "<>")
                    + "(" + arguments + ")");
        }))).stream().toList();
    }
}
