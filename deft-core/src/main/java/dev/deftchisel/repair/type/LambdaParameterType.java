package dev.deftchisel.repair.type;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * {@code ships.sort(comparing(s -> s.length()).reversed())}: the type of what a method is called on is not inferred
 * from where its result goes (JLS 15.12, 18.5.2), so that the parameter is an Object unless its type is written.
 */
public final class LambdaParameterType implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve.location.args", "cant.resolve.location");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> select = site.nearest(MemberSelectTree.class);
        Optional<TreePath> lambda = site.nearest(LambdaExpressionTree.class);
        if (select.isEmpty() || lambda.isEmpty()
                || !(((MemberSelectTree) select.get().getLeaf()).getExpression() instanceof IdentifierTree name)) {
            return List.of();
        }
        LambdaExpressionTree function = (LambdaExpressionTree) lambda.get().getLeaf();
        boolean isParameter = function.getParameters().size() == 1 && function.getParameters().get(0).getName()
                .equals(name.getName())
                && code.text(function).startsWith(name.getName().toString())
                && code.type(new TreePath(select.get(), name))
                .filter(type -> NamedTypes.is(type, "java.lang.Object")).isPresent();
        return !isParameter ? List.of() : element(lambda.get(), code)
                .map(type -> Fix.of("let '" + name.getName() + "' be of the type " + Conversion.shown(type),
                edits -> edits.replace(code.range(function.getParameters().get(0)), "(" + edits.types().write(type)
                        .orElse("Object") + " " + name.getName() + ")")))
                .stream().toList();
    }

    /** What the collection or stream holds to whose method the chain with the function is passed. */
    private static Optional<TypeMirror> element(TreePath lambda, AttributedFile code) {
        return Stream.iterate(lambda.getParentPath(), path -> path != null && path.getParentPath() != null,
                TreePath::getParentPath)
                .filter(path -> path.getLeaf() instanceof MethodInvocationTree call
                        && call.getMethodSelect() instanceof MemberSelectTree)
                .flatMap(path -> {
                    MemberSelectTree called = (MemberSelectTree) ((MethodInvocationTree) path.getLeaf())
                            .getMethodSelect();
                    return code.type(new TreePath(new TreePath(path, called), called.getExpression())).stream();
                })
                .filter(type -> type instanceof DeclaredType known && known.getTypeArguments().size() == 1
                        && !NamedTypes.isOneOf(type, Set.of("java.util.Comparator", "java.lang.Class")))
                .map(type -> (TypeMirror) ((DeclaredType) type).getTypeArguments().get(0))
                .filter(type -> type instanceof DeclaredType && !NamedTypes.is(type, "java.lang.Object")).findFirst();
    }
}
