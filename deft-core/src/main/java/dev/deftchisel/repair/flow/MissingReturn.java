package dev.deftchisel.repair.flow;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.repair.ResultType;
import dev.deftchisel.repair.StatementLines;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Methods and lambdas that end without a result (JLS 8.4.7, 15.27.2). */
public final class MissingReturn implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("missing.ret.stmt");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Optional<TreePath> owner = site.around().stream()
                .filter(path -> path.getLeaf() instanceof MethodTree || path.getLeaf() instanceof LambdaExpressionTree)
                .findFirst();
        if (owner.isEmpty() || !(owner.get().getLeaf() instanceof MethodTree method) || method.getBody() == null) {
            return List.of();
        }
        AttributedFile code = site.code();
        Optional<TypeMirror> type = code.type(new TreePath(owner.get(), method.getReturnType()));
        if (type.isEmpty()) {
            return List.of();
        }
        TreePath body = new TreePath(owner.get(), method.getBody());
        List<Fix> fixes = new ArrayList<>();
        lastValue(body, type.get(), code).ifPresent(fixes::add);
        fixes.addAll(variables(body, type.get(), code).stream().limit(1)
                .map(name -> Fix.of("return '" + name + "'", edits -> StatementLines.atEnd(edits, method.getBody(),
                        "return " + name + ";"))).toList());
        fixes.add(Fix.of("return " + DefaultValues.of(type.get()),
                edits -> StatementLines.atEnd(edits, method.getBody(),
                "return " + DefaultValues.of(type.get()) + ";")));
        fixes.add(Fix.of("let it return nothing",
                edits -> ResultType.change(edits, owner.get(), code.types().getNoType(TypeKind.VOID))));
        return fixes;
    }

    /** The value of the last statement, when it has just the type. */
    private static Optional<Fix> lastValue(TreePath body, TypeMirror type, AttributedFile code) {
        List<? extends StatementTree> all = ((BlockTree) body.getLeaf()).getStatements();
        if (all.isEmpty() || !(all.get(all.size() - 1) instanceof ExpressionStatementTree last)) {
            return Optional.empty();
        }
        TreePath value = new TreePath(new TreePath(body, last), last.getExpression());
        boolean fits = !(last.getExpression() instanceof UnaryTree) && !(last.getExpression() instanceof AssignmentTree)
                && code.type(value).filter(own -> own.getKind() != TypeKind.VOID && code.types().isSubtype(own, type))
                .isPresent();
        return fits ? Optional.of(Fix.of("return its last value",
                edits -> edits.insert(code.range(last).start(), "return ")))
                : Optional.empty();
    }

    /** The variables at the top of the body that have the type, the last one first. */
    private static List<String> variables(TreePath body, TypeMirror type, AttributedFile code) {
        List<String> names = new ArrayList<>();
        for (StatementTree statement : ((BlockTree) body.getLeaf()).getStatements()) {
            if (statement instanceof VariableTree variable && code.element(new TreePath(body, variable))
                    .filter(element -> code.types().isSubtype(element.asType(), type)).isPresent()) {
                names.add(0, variable.getName().toString());
            }
        }
        return names;
    }
}
