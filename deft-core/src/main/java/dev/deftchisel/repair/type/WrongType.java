package dev.deftchisel.repair.type;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.repair.ResultType;
import dev.deftchisel.repair.call.WrongArguments;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Expressions of another type than their place asks for (JLS 5.2, 5.3, 5.5). */
public final class WrongType implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("prob.found.req", "incompatible.types", "illegal.initializer.for.type");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Optional<TreePath> value = site.exact().filter(path -> path.getLeaf() instanceof ExpressionTree)
                .or(() -> site.around().stream().filter(path -> path.getLeaf() instanceof ExpressionTree
                        && TargetType.of(path, site.code()).isPresent()).findFirst());
        if (value.isEmpty()) {
            return List.of();
        }
        Optional<TargetType> wanted = TargetType.of(value.get(), site.code());
        Optional<TypeMirror> own = site.code().ownType(value.get());
        TreePath parent = TreePaths.outer(value.get());
        List<Fix> fixes = new ArrayList<>();
        boolean isArgument = parent.getLeaf() instanceof MethodInvocationTree
                || parent.getLeaf() instanceof NewClassTree;
        if (isArgument) {
            fixes.addAll(WrongArguments.reordered(parent, site.code()));
        }
        // who casts a part to double wants a fraction
        boolean isFraction = own.filter(type -> type.getKind() == TypeKind.DOUBLE).isPresent() && wanted.isPresent()
                && value.get().getLeaf() instanceof BinaryTree && site.code().text(value.get().getLeaf())
                .contains("(double)");
        boolean isArray = own.filter(type -> type.getKind() == TypeKind.ARRAY).isPresent()
                && wanted.filter(type -> NamedTypes.is(type.type(), "java.lang.String")).isPresent();
        if (isFraction || isArray) {
            retyped(own.get(), wanted.get(), site).ifPresent(fixes::add);
        }
        if (wanted.isPresent() && own.isPresent()) {
            fixes.addAll(Conversion.of(value.get(), own.get(), wanted.get().type(), site.code()));
        }
        if (isArgument) {
            fixes.addAll(WrongArguments.of(parent, site.code()));
        }
        if (wanted.isPresent() && own.isPresent()) {
            retyped(own.get(), wanted.get(), site).ifPresent(fixes::add);
        } else if (value.get().getParentPath().getLeaf() instanceof ReturnTree result) {
            fixes.addAll(unwanted(value.get().getParentPath(), result, own, site));
        }
        if (own.filter(type -> type.getKind() == TypeKind.VOID).isPresent()) {
            standAlone(value.get(), site.code()).ifPresent(fixes::add);
        }
        return fixes;
    }

    /** The variable or method gets the type of the value. */
    private static Optional<Fix> retyped(TypeMirror own, TargetType wanted, ErrorSite site) {
        Optional<TreePath> written = wanted.source().flatMap(source -> written(source, site));
        if (written.isEmpty() || own.getKind() == TypeKind.VOID || own.getKind() == TypeKind.NULL) {
            return Optional.empty();
        }
        TreePath type = written.get();
        Tree declared = type.getParentPath().getLeaf();
        String what = declared instanceof VariableTree variable ? variable.getName().toString()
                : ((MethodTree) declared).getName().toString();
        return Optional.of(Fix.of("change the type of '" + what + "' to " + Conversion.shown(own), edits -> {
            if (declared instanceof MethodTree) {
                ResultType.change(edits, type.getParentPath(), own);
            } else {
                edits.replace(type.getLeaf(), to -> to.write(edits.types().write(own).orElse(NamedTypes.shown(own))));
            }
        }));
    }

    /** The type as it is written where a variable or method is declared, when that is in the same file. */
    private static Optional<TreePath> written(TreePath source, ErrorSite site) {
        return !(source.getParentPath().getLeaf() instanceof AssignmentTree) ? Optional.of(source)
                : site.declaration(source).filter(found -> found.getLeaf() instanceof VariableTree)
                        .map(found -> new TreePath(found, ((VariableTree) found.getLeaf()).getType()));
    }

    /** A value returned by a method that has none: the method gets a result, or the value goes. */
    private static List<Fix> unwanted(TreePath path, ReturnTree result, Optional<TypeMirror> own, ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> owner = code.result(path).map(TreePath::getParentPath);
        if (owner.isEmpty()) {
            return List.of();
        }
        MethodTree method = (MethodTree) owner.get().getLeaf();
        List<Fix> fixes = new ArrayList<>();
        own.filter(type -> type.getKind() != TypeKind.NULL && type.getKind() != TypeKind.VOID)
                .ifPresent(type -> fixes.add(Fix.of("let '" + method.getName() + "' return " + Conversion.shown(type),
                edits -> ResultType.change(edits, owner.get(), type))));
        Range value = code.range(result.getExpression());
        fixes.add(Fix.of("return nothing", edits ->
                edits.cut(new Range(code.range(result).start() + "return".length(), value.end()))));
        return fixes;
    }

    /** A call without a result, alone instead of as the value of a variable. */
    private static Optional<Fix> standAlone(TreePath value, AttributedFile code) {
        return value.getParentPath().getLeaf() instanceof VariableTree variable
                && value.getParentPath().getParentPath().getLeaf() instanceof BlockTree
                ? Optional.of(Fix.of("call it without a variable", edits -> edits.replace(variable,
                        to -> to.carry(code.range(value.getLeaf())).write(";"))))
                : Optional.empty();
    }
}
