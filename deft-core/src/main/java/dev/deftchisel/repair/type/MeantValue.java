package dev.deftchisel.repair.type;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.CaseLabels;
import dev.deftchisel.repair.ContainerContent;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.repair.LiteralOfOtherSort;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * A value of another type than its place asks for, where what was meant is plain: the elements of a stream, the content
 * of a container, a literal of the other sort, the result of a function (JLS 5.2, 5.3).
 */
public final class MeantValue implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("prob.found.req", "incompatible.types", "void.not.allowed.here", "illegal.initializer.for.type",
                "cant.apply.symbol",
                "cant.apply.symbols", "illegal.parenthesized.expression");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> value = site.exact().filter(path -> path.getLeaf() instanceof ExpressionTree)
                .or(() -> site.around().stream().filter(path -> path.getLeaf() instanceof ExpressionTree
                        && TargetType.of(path, site.code()).isPresent()).findFirst())
                .or(() -> site.around().stream().filter(path -> path.getLeaf() instanceof ExpressionTree).findFirst());
        List<Fix> fixes = new ArrayList<>(site.nearest(ReturnTree.class).map(path -> returned(path, site))
                .orElse(List.of()));
        if (value.isEmpty()) {
            site.nearest(ThrowTree.class).map(thrown -> new TreePath(thrown, ((ThrowTree) thrown.getLeaf())
                    .getExpression()))
                    .ifPresent(thrown -> fixes.addAll(around(thrown, code.type(thrown), site)));
            return fixes;
        }
        TreePath path = value.get();
        Optional<TypeMirror> own = code.ownType(path).or(() -> code.type(path));
        Optional<TypeMirror> wanted = TargetType.of(path, site.code()).map(TargetType::type)
                .or(() -> wanted(path, code));
        fixes.addAll(around(path, own, site));
        fixes.addAll(assigned(path, code));
        if (own.isPresent() && wanted.isPresent()) {
            calledFirst(path, own.get(), wanted.get(), code).ifPresent(fixes::add);
            fixes.addAll(LiteralOfOtherSort.literal(path, wanted.get(), code));
            fixes.addAll(ContainerContent.content(path, own.get(), wanted.get(), code));
            FunctionResult.result(path, own.get(), wanted.get(), code).ifPresent(fixes::add);
        } else if (wanted.isPresent()) {
            fixes.addAll(ContainerContent.ofStream(path, wanted.get(), code));
        }
        if (site.id().equals("illegal.initializer.for.type")) {
            fixes.addAll(ContainerContent.collection(path, wanted, code));
        }
        if (site.error().message().contains("bad return type in lambda")) {
            fixes.addAll(FunctionResult.lambdaResult(path, own, code, site));
        }
        if (site.error().message().contains("? extends")) {
            WiderTypeArgument.lowered(path, site).ifPresent(fixes::add);
        }
        wanted.ifPresent(type -> fixes.addAll(WiderTypeArgument.wildcard(path, own, type, site)));
        return fixes;
    }

    /**
     * {@code if (level = 3 && isOpen)}: an assignment in a condition binds less tightly than its operators (JLS 15.26).
     */
    private static List<Fix> assigned(TreePath path, AttributedFile code) {
        TreePath at = path;
        if (path.getLeaf() instanceof AssignmentTree whole && whole.getExpression() instanceof BinaryTree) {
            at = new TreePath(path, whole.getExpression());
        }
        while (at.getParentPath().getLeaf() instanceof BinaryTree) {
            at = at.getParentPath();
        }
        boolean isInCondition = at != path && at.getParentPath().getLeaf() instanceof AssignmentTree set
                && set.getExpression() == at.getLeaf()
                && (TreePaths.outer(at.getParentPath()).getLeaf() instanceof IfTree
                        || TreePaths.outer(at.getParentPath()).getLeaf() instanceof WhileLoopTree);
        if (!isInCondition) {
            return List.of();
        }
        AssignmentTree set = (AssignmentTree) at.getParentPath().getLeaf();
        Range sign = new Range(code.range(set.getVariable()).end(), code.range(set.getExpression()).start());
        return List.of(Fix.of("write '=='", edits -> edits.replace(sign, " == ")));
    }

    /** What other places ask for: an index, a label, what is thrown, the condition of a switch. */
    private static Optional<TypeMirror> wanted(TreePath path, AttributedFile code) {
        TreePath parent = CaseLabels.branch(path);
        if (parent.getLeaf() instanceof ArrayAccessTree access && access.getIndex() == path.getLeaf()) {
            return Optional.of(code.types().getPrimitiveType(TypeKind.INT));
        } else if (parent.getLeaf() instanceof CaseTree && parent.getParentPath()
                .getLeaf() instanceof SwitchTree choice) {
            return code.type(new TreePath(parent.getParentPath(), choice.getExpression()));
        } else if (parent.getLeaf() instanceof CaseTree && parent.getParentPath()
                .getLeaf() instanceof SwitchExpressionTree choice) {
            return code.type(new TreePath(parent.getParentPath(), choice.getExpression()));
        } else if (parent.getLeaf() instanceof NewArrayTree) {
            return code.type(parent).filter(type -> type instanceof ArrayType)
                    .map(type -> ((ArrayType) type).getComponentType());
        } else if (parent.getLeaf() instanceof TypeCastTree cast) {
            return code.type(new TreePath(parent, cast.getType()));
        } else if (parent.getLeaf() instanceof ParameterizedTypeTree) {
            return Optional.empty();
        } else if (parent.getLeaf() instanceof LambdaExpressionTree) {
            return Optional.empty();
        }
        return TargetType.ofVariable(path, code);
    }

    /** Where the statement or expression around shows what was meant. */
    private static List<Fix> around(TreePath path, Optional<TypeMirror> own, ErrorSite site) {
        AttributedFile code = site.code();
        TreePath parent = TreePaths.outer(path);
        List<Fix> fixes = new ArrayList<>();
        if (parent.getLeaf() instanceof EnhancedForLoopTree loop && loop.getExpression() == TreePaths.outer(path)
                .getLeaf()
                || parent.getLeaf() instanceof EnhancedForLoopTree) {
            EnhancedForLoopTree loop = (EnhancedForLoopTree) parent.getLeaf();
            element(own).ifPresent(type -> fixes.add(Fix.of("let '" + loop.getVariable().getName() + "' be of the type "
                    + Conversion.shown(type), edits -> edits.replace(code.range(loop.getVariable().getType()),
                    edits.types().write(type).orElse("var")))));
        }
        if (parent.getLeaf() instanceof ThrowTree && own.filter(type -> NamedTypes.is(type, "java.lang.String"))
                .isPresent()) {
            fixes.add(Fix.of("throw a RuntimeException with this message", edits -> edits.replace(path.getLeaf(),
                    to -> to.write("new RuntimeException(").carry(code.range(path.getLeaf())).write(")"))));
        }
        if (parent.getLeaf() instanceof InstanceOfTree) {
            fixes.add(Fix.of("look at it as an Object", edits -> Conversion.cast(edits, path, "Object")));
        }
        site.nearest(ThrowTree.class).map(thrown -> new TreePath(thrown, ((ThrowTree) thrown.getLeaf())
                .getExpression()))
                .filter(thrown -> parent.getLeaf() != thrown.getParentPath().getLeaf() && code.type(thrown)
                        .filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent())
                .ifPresent(thrown -> fixes.add(Fix.of("throw a RuntimeException with this message",
                        edits -> edits.replace(thrown.getLeaf(),
                        to -> to.write("new RuntimeException(").carry(code.range(thrown.getLeaf())).write(")")))));
        boolean isVoid = own.filter(type -> type.getKind() == TypeKind.VOID).isPresent();
        if (isVoid) {
            fixes.addAll(ofVoid(path, parent, code));
        }
        if (path.getLeaf() instanceof TypeCastTree cast) {
            TreePath inner = TreePaths.inner(new TreePath(path, cast.getExpression()));
            code.type(inner).ifPresent(from -> code.type(new TreePath(path, cast.getType())).ifPresent(to ->
                    fixes.addAll(instead(path, inner, from, to, code))));
        } else if (parent.getLeaf() instanceof TypeCastTree cast) {
            own.ifPresent(from -> code.type(new TreePath(parent, cast.getType())).ifPresent(to ->
                    fixes.addAll(instead(parent, path, from, to, code))));
        }
        return fixes;
    }

    /**
     * {@code return all.add(one);}, where a list is wanted: what the method is called on is meant, not what it gives.
     */
    private static Optional<Fix> calledFirst(TreePath path, TypeMirror own, TypeMirror wanted, AttributedFile code) {
        TreePath statement = path.getParentPath();
        boolean isAlone = statement.getLeaf() instanceof ReturnTree && statement.getParentPath()
                .getLeaf() instanceof BlockTree;
        if (!isAlone || !(path.getLeaf() instanceof MethodInvocationTree call)
                || !(call.getMethodSelect() instanceof MemberSelectTree select)
                || !(select.getExpression() instanceof IdentifierTree object)
                || own.getKind() != TypeKind.BOOLEAN && own.getKind() != TypeKind.VOID) {
            return Optional.empty();
        }
        boolean isMeant = code.type(new TreePath(new TreePath(path, select), object))
                .filter(type -> code.types().isAssignable(type, wanted)).isPresent();
        int start = code.range(statement.getLeaf()).start();
        String line = ";" + Layout.of(code.file()).lineEnd() + Layout.indentOf(code.file(), start) + "return "
                + object.getName() + ";";
        return isMeant ? Optional.of(Fix.of("call it first, and return '" + object.getName() + "'",
                edits -> edits.replace(statement.getLeaf(),
                to -> to.carry(code.range(call)).write(line)))) : Optional.empty();
    }

    /** {@code (int) "12"} is {@code Integer.parseInt("12")}. */
    private static List<Fix> instead(TreePath cast, TreePath inner, TypeMirror from, TypeMirror to,
            AttributedFile code) {
        if (NamedTypes.is(from, "java.lang.String")
                && (to.getKind().isPrimitive() || NamedTypes.is(to, "java.lang.Integer"))) {
            String parser = switch (to.getKind()) {
                case LONG -> "Long.parseLong(";
                case DOUBLE -> "Double.parseDouble(";
                case FLOAT -> "Float.parseFloat(";
                case BOOLEAN -> "Boolean.parseBoolean(";
                case CHAR -> "";
                default -> "Integer.parseInt(";
            };
            return List.of(Fix.of("read it as " + to, edits -> edits.replace(cast.getLeaf(), text -> text.write(parser)
                    .carry(code.range(inner.getLeaf())).write(parser.isEmpty() ? ".charAt(0)" : ")"))));
        } else if (NamedTypes.is(to, "java.lang.String")) {
            return List.of(Fix.of("make text of it",
                    edits -> edits.replace(cast.getLeaf(), text -> text.write("String.valueOf(")
                    .carry(code.range(inner.getLeaf())).write(")"))));
        }
        return List.of();
    }

    /** A call without a result where one is wanted. */
    private static List<Fix> ofVoid(TreePath path, TreePath parent, AttributedFile code) {
        List<Fix> fixes = new ArrayList<>();
        boolean isPrinted = parent.getLeaf() instanceof MethodInvocationTree && parent.getParentPath()
                .getLeaf() instanceof ExpressionStatementTree;
        if (isPrinted) {
            fixes.add(Fix.of("only call it", edits -> edits.replace(parent.getLeaf(),
                    to -> to.carry(code.range(path.getLeaf())))));
        }
        if (path.getLeaf() instanceof MethodInvocationTree call
                && call.getMethodSelect() instanceof MemberSelectTree select
                && select.getIdentifier().contentEquals("forEach")) {
            int end = code.range(select).end();
            boolean isStream = code.type(new TreePath(new TreePath(path, select), select.getExpression()))
                    .filter(type -> NamedTypes.is(type, "java.util.stream.Stream")).isPresent();
            fixes.add(Fix.of("collect what it gives for each", edits -> {
                edits.replace(new Range(end - "forEach".length(), end), isStream ? "map" : "stream().map");
                edits.insert(code.range(call).end(), ContainerContent.listed(edits));
            }));
        }
        if (parent.getLeaf() instanceof VariableTree variable && path.getLeaf() instanceof MethodInvocationTree call
                && !call.getArguments().isEmpty() && parent.getParentPath().getLeaf() instanceof BlockTree) {
            Range argument = code.range(call.getArguments().get(0));
            fixes.add(Fix.of("call it first, and use '" + code.shown(argument, 30) + "'", edits -> {
                int start = code.range(variable).start();
                String line = code.text(call) + ";" + Layout.of(code.file())
                        .lineEnd() + Layout.indentOf(code.file(), start);
                edits.insert(start, line);
                edits.replace(code.range(call), code.text(argument));
            }));
        }
        return fixes;
    }

    /** {@code return;} where a value is wanted, and the other way round. */
    private static List<Fix> returned(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        ReturnTree result = (ReturnTree) path.getLeaf();
        Range range = code.range(result);
        if (result.getExpression() == null) {
            return code.result(path).flatMap(code::type).map(type -> List.of(Fix.of("return " + DefaultValues.of(type),
                    edits -> edits.replace(range, "return " + DefaultValues.of(type) + ";")))).orElse(List.of());
        }
        boolean isOfMethod = code.result(path).isPresent();
        boolean isUnwanted = site.error().message().contains("unexpected return value") && !isOfMethod;
        return isUnwanted ? List.of(Fix.of("return nothing", edits -> edits.replace(range, "return;")),
                Fix.of("remove the return", edits -> edits.remove(range))) : List.of();
    }

    private static Optional<TypeMirror> element(Optional<TypeMirror> own) {
        if (own.isPresent() && own.get() instanceof ArrayType array) {
            return Optional.of(array.getComponentType());
        }
        return own.filter(type -> type instanceof DeclaredType).map(type -> (DeclaredType) type)
                .filter(type -> type.getTypeArguments().size() == 1)
                .map(type -> (TypeMirror) type.getTypeArguments().get(0));
    }
}
