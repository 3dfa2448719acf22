package dev.deftchisel.repair.type;

import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * Type arguments that are told too narrowly: {@code List<Integer>} where a {@code List<Number>} is said (JLS 4.5.1).
 */
final class WiderTypeArgument {

    private WiderTypeArgument() {
    }

    /**
     * {@code List<Integer>} for {@code List<Number>}: the parameter or variable may take a list of any kind of number
     * (JLS 4.5.1).
     */
    static List<Fix> wildcard(TreePath path, Optional<TypeMirror> own, TypeMirror wanted, ErrorSite site) {
        AttributedFile code = site.code();
        List<Fix> fixes = new ArrayList<>();
        if (path.getLeaf() instanceof NewClassTree made && made.getIdentifier() instanceof ParameterizedTypeTree type
                && made.getClassBody() == null) {
            Range arguments = new Range(code.range(type.getType()).end(), code.range(type).end());
            fixes.add(Fix.of("leave out the type arguments", edits -> edits.replace(arguments, "<>")));
        }
        Optional<Tree> said = declaredType(path, site);
        said.filter(tree -> tree instanceof ParameterizedTypeTree).map(tree -> (ParameterizedTypeTree) tree)
                .filter(tree -> own.isPresent() && own.get() instanceof DeclaredType type && type.getTypeArguments()
                        .stream()
                        .allMatch(argument -> argument instanceof DeclaredType) && code.types().isAssignable(
                        code.types().erasure(own.get()), code.types().erasure(wanted)))
                .ifPresent(tree -> fixes.add(Fix.of("let it take any kind of '"
                        + code.text(tree.getTypeArguments().get(0)) + "'",
                        edits -> tree.getTypeArguments().stream()
                        .filter(argument -> !code.text(argument).startsWith("?"))
                                .forEach(argument -> edits.insert(code.range(argument).start(), "? extends ")))));
        return fixes;
    }

    /** What is added to a {@code List<? extends Number>}: it must take such, {@code ? super} (JLS 4.5.1). */
    static Optional<Fix> lowered(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        return Optional.of(path.getParentPath().getLeaf()).filter(tree -> tree instanceof MethodInvocationTree)
                .map(tree -> ((MethodInvocationTree) tree).getMethodSelect())
                .filter(select -> select instanceof MemberSelectTree)
                .flatMap(select -> site.declaration(new TreePath(new TreePath(path.getParentPath(), select),
                        ((MemberSelectTree) select).getExpression())))
                .filter(found -> found.getLeaf() instanceof VariableTree variable && code.find(variable.getType())
                        .isPresent())
                .map(found -> code.range(((VariableTree) found.getLeaf()).getType()))
                .filter(range -> code.text(range).contains("? extends "))
                .map(range -> Fix.of("write '? super'", edits -> edits.replace(range, code.text(range)
                        .replaceFirst("\\? extends ", "? super "))));
    }

    private static Optional<Tree> declaredType(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        TreePath parent = TreePaths.outer(path);
        if (parent.getLeaf() instanceof VariableTree variable) {
            return Optional.ofNullable(variable.getType());
        } else if (parent.getLeaf() instanceof MethodInvocationTree call) {
            int index = call.getArguments().indexOf(path.getLeaf());
            Optional<TreePath> method = new CallCandidates(code, parent).ofSameArity().stream()
                    .findFirst().flatMap(site.context().names()::declaration)
                    .filter(found -> found.getLeaf() instanceof MethodTree);
            return method.map(found -> ((MethodTree) found.getLeaf()).getParameters())
                    .filter(all -> index >= 0 && index < all.size())
                    .map(all -> all.get(index).getType());
        }
        return Optional.empty();
    }
}
