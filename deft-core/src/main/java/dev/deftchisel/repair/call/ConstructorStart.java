package dev.deftchisel.repair.call;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** Constructors that do not begin with the call of another one as they must (JLS 8.8.7, 8.10.4). */
public final class ConstructorStart implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("call.must.be.first.stmt.in.ctor", "call.must.only.appear.in.ctor",
                "unreported.exception.default.constructor", "first.statement.must.be.call.to.another.constructor");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return switch (site.id()) {
            case "unreported.exception.default.constructor" -> throwing(site);
            case "first.statement.must.be.call.to.another.constructor" -> site.nearest(MethodTree.class)
                    .map(path -> delegating(path, site.code())).orElse(List.of());
            default -> first(site);
        };
    }

    /** The call of another constructor is moved to where it must stand. */
    private static List<Fix> first(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> statement = site.around().stream()
                .filter(path -> path.getLeaf() instanceof ExpressionStatementTree
                && path.getParentPath().getLeaf() instanceof BlockTree).findFirst();
        return statement.map(path -> {
            BlockTree body = (BlockTree) path.getParentPath().getLeaf();
            List<? extends StatementTree> written = body.getStatements().stream()
                    .filter(one -> code.find(one).isPresent()).toList();
            Range range = code.range(path.getLeaf());
            return List.of(Fix.of("put it first", edits -> {
                int start = code.range(written.get(0)).start();
                edits.insert(start, code.text(range) + Layout.of(code.file())
                        .lineEnd() + Layout.indentOf(code.file(), start));
                edits.remove(range);
            }));
        }).orElse(List.of());
    }

    /** The constructor that nobody wrote cannot declare what the one above throws (JLS 8.8.9). */
    private static List<Fix> throwing(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(ClassTree.class).flatMap(type -> code.element(type)
                .map(element -> ((TypeElement) element).getSuperclass())
                .filter(known -> known instanceof DeclaredType).map(known -> ((DeclaredType) known).asElement())
                .flatMap(element -> ElementFilter.constructorsIn(element.getEnclosedElements()).stream()
                        .filter(known -> known.getParameters().isEmpty()).findFirst())
                .map(above -> List.of(Fix.of("declare a constructor that throws it, too",
                        edits -> PassingConstructor.insert(edits, (ClassTree) type.getLeaf(), above,
                        List.<TypeMirror>copyOf(above.getThrownTypes())))))).orElse(List.of());
    }

    /** A constructor of a record that sets the fields itself passes the values to the canonical one (JLS 8.10.4). */
    private static List<Fix> delegating(TreePath path, AttributedFile code) {
        MethodTree constructor = (MethodTree) path.getLeaf();
        Optional<TypeElement> record = code.enclosingType(path);
        List<? extends StatementTree> statements = constructor.getBody().getStatements().stream()
                .filter(one -> code.find(one).isPresent()).toList();
        if (record.isEmpty()) {
            return List.of();
        }
        List<String> values = record.get().getRecordComponents().stream().map(component -> statements.stream()
                .filter(one -> one instanceof ExpressionStatementTree alone
                        && alone.getExpression() instanceof AssignmentTree set
                        && code.text(set.getVariable()).matches("(this\\.)?" + component.getSimpleName()))
                .map(one -> code.text(((AssignmentTree) ((ExpressionStatementTree) one).getExpression())
                        .getExpression()))
                .findFirst().orElse(DefaultValues.of(component.asType()))).toList();
        Range all = statements.isEmpty() ? new Range(code.range(constructor.getBody()).start() + 1,
                code.range(constructor.getBody()).start() + 1)
                : new Range(code.range(statements.get(0)).start(), code.range(statements.get(statements.size() - 1))
                        .end());
        return List.of(Fix.of("call this(" + String.join(", ", values) + ")",
                edits -> edits.replace(all, "this(" + String.join(", ", values) + ");")));
    }
}
