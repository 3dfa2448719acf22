package dev.deftchisel.repair.type;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/** Operators between things for which they are not (JLS 15.17 to 15.24, 15.15). */
public final class WrongOperands implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("operator.cant.be.applied", "operator.cant.be.applied.1", "incomparable.types",
                "array.req.but.found",
                "foreach.not.applicable.to.type", "ref.ambiguous");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> binary = site.nearest(BinaryTree.class);
        return switch (site.id()) {
            case "operator.cant.be.applied.1", "incomparable.types" -> binary.map(path -> operands(path, code))
                    .orElse(List.of());
            case "operator.cant.be.applied" -> site.nearest(UnaryTree.class).flatMap(path -> negated(path, code))
                    .stream().toList();
            case "array.req.but.found" -> site.nearest(ArrayAccessTree.class).map(path -> element(path, code))
                    .orElse(List.of());
            case "foreach.not.applicable.to.type" -> site.nearest(EnhancedForLoopTree.class).map(path -> source(path,
                    code)).orElse(List.of());
            case "ref.ambiguous" -> site.around().stream()
                    .filter(path -> path.getLeaf() instanceof MethodInvocationTree
                            || path.getLeaf() instanceof NewClassTree)
                    .findFirst().map(path -> meant(path, code)).orElse(List.of());
            default -> List.of();
        };
    }

    /** {@code !cargo instanceof Coal}: the opposite of the test is meant, which binds less tightly (JLS 15.20). */
    private static Optional<Fix> negated(TreePath path, AttributedFile code) {
        UnaryTree unary = (UnaryTree) path.getLeaf();
        if (path.getParentPath().getLeaf() instanceof BinaryTree compared && compared.getLeftOperand() == unary
                && unary.getKind() == Tree.Kind.LOGICAL_COMPLEMENT
                && (compared.getKind() == Tree.Kind.EQUAL_TO || compared.getKind() == Tree.Kind.NOT_EQUAL_TO)) {
            return Optional.of(opposite(path, compared, code));
        }
        if (path.getParentPath().getLeaf() instanceof BinaryTree order && order.getLeftOperand() == unary
                && unary.getKind() == Tree.Kind.LOGICAL_COMPLEMENT
                && Set.of(Tree.Kind.LESS_THAN, Tree.Kind.LESS_THAN_EQUAL, Tree.Kind.GREATER_THAN,
                        Tree.Kind.GREATER_THAN_EQUAL).contains(order.getKind())) {
            return Optional.of(Fix.of("put the comparison in parentheses", edits -> {
                edits.insert(code.range(unary.getExpression()).start(), "(");
                edits.insert(code.range(order).end(), ")");
            }));
        }
        return path.getParentPath().getLeaf() instanceof InstanceOfTree test
                && unary.getKind() == Tree.Kind.LOGICAL_COMPLEMENT
                ? Optional.of(Fix.of("put the test in parentheses", edits -> {
                    edits.insert(code.range(unary.getExpression()).start(), "(");
                    edits.insert(code.range(test).end(), ")");
                })) : Optional.empty();
    }

    /** {@code !side == "port"}: that they are unlike is meant. */
    private static Fix opposite(TreePath path, BinaryTree compared, AttributedFile code) {
        UnaryTree unary = (UnaryTree) path.getLeaf();
        boolean isEqual = compared.getKind() == Tree.Kind.EQUAL_TO;
        boolean isObject = code.type(new TreePath(path, unary.getExpression()))
                .filter(type -> type instanceof DeclaredType).isPresent()
                && compared.getRightOperand().getKind() != Tree.Kind.NULL_LITERAL;
        if (isObject) {
            return Fix.of("compare with 'equals'", edits -> edits.replace(compared, to -> to.write(isEqual ? "!" : "")
                    .carry(code.range(unary.getExpression())).write(".equals(")
                    .carry(code.range(compared.getRightOperand())).write(")")));
        }
        return Fix.of("write '" + (isEqual ? "!=" : "==") + "'",
                edits -> edits.replace(compared, to -> to.carry(code.range(unary.getExpression()))
                        .write(isEqual ? " != " : " == ").carry(code.range(compared.getRightOperand()))));
    }

    /** {@code "free: " + all - taken}: the numbers are to be calculated before the text is joined (JLS 15.18.1). */
    private static Optional<Fix> calculatedFirst(TreePath path, BinaryTree tree, AttributedFile code) {
        return tree.getKind() == Tree.Kind.MINUS && tree.getLeftOperand() instanceof BinaryTree joined
                && joined.getKind() == Tree.Kind.PLUS
                && code.type(new TreePath(path, joined)).filter(type -> NamedTypes.is(type, "java.lang.String"))
                .isPresent()
                ? Optional.of(Fix.of("put the calculation in parentheses", edits -> {
                    edits.insert(code.range(joined.getRightOperand()).start(), "(");
                    edits.insert(code.range(tree).end(), ")");
                })) : Optional.empty();
    }

    /** Each of the methods that fit, told by a cast of the first argument for which they take something else. */
    private static List<Fix> meant(TreePath call, AttributedFile code) {
        List<? extends ExpressionTree> arguments = Calls.arguments(call.getLeaf());
        List<ExecutableElement> all = new CallCandidates(code, call).ofSameArity().stream()
                .filter(method -> IntStream.range(0, arguments.size())
                        .allMatch(i -> mayTake(method, i, arguments.get(i), call, code)))
                .toList();
        List<Fix> fixes = new ArrayList<>();
        for (int i = 0; i < arguments.size(); i++) {
            int index = i;
            ExpressionTree argument = arguments.get(i);
            boolean isDoubtful = argument.getKind() == Tree.Kind.NULL_LITERAL
                    || argument instanceof LambdaExpressionTree
                    || argument instanceof MemberReferenceTree || code.type(new TreePath(call, argument)).isPresent();
            long kinds = all.stream()
                    .map(method -> NamedTypes.shown(code.types().erasure(method.getParameters().get(index).asType())))
                    .distinct().count();
            if (isDoubtful && kinds > 1) {
                all.stream().map(method -> method.getParameters().get(index).asType())
                        .filter(type -> fits(argument, type, call, code))
                        .sorted(Comparator.comparing(type -> type.getKind().isPrimitive()))
                        .forEach(type -> fixes.add(Fix.of("cast '" + code.shown(code.range(argument), 30) + "' to "
                                + Conversion.shown(type),
                                edits -> Conversion.cast(edits, new TreePath(call, argument),
                                        edits.types().write(code.types().erasure(type))
                                        .orElse(NamedTypes.shown(type))))));
                break;
            }
        }
        return fixes;
    }

    /** Whether nothing speaks against a method; a function fits whatever is one. */
    private static boolean mayTake(ExecutableElement method, int index, ExpressionTree argument, TreePath call,
            AttributedFile code) {
        return argument instanceof LambdaExpressionTree || argument instanceof MemberReferenceTree
                || fits(argument, method.getParameters().get(index).asType(), call, code);
    }

    private static boolean fits(ExpressionTree argument, TypeMirror type, TreePath call, AttributedFile code) {
        if (argument.getKind() == Tree.Kind.NULL_LITERAL) {
            return !type.getKind().isPrimitive();
        }
        return code.type(new TreePath(call, argument))
                .filter(own -> code.types().isAssignable(code.types().erasure(own), code.types().erasure(type)))
                .isPresent();
    }

    private static List<Fix> operands(TreePath path, AttributedFile code) {
        BinaryTree tree = (BinaryTree) path.getLeaf();
        TreePath left = new TreePath(path, tree.getLeftOperand());
        TreePath right = new TreePath(path, tree.getRightOperand());
        Optional<TypeMirror> one = code.type(left);
        Optional<TypeMirror> other = code.type(right);
        if (one.isEmpty() || other.isEmpty()) {
            return List.of();
        }
        List<Fix> fixes = new ArrayList<>();
        calculatedFirst(path, tree, code).ifPresent(fixes::add);
        fixes.addAll(Conversion.of(right, other.get(), one.get(), code));
        fixes.addAll(Conversion.of(left, one.get(), other.get(), code));
        boolean isOrder = switch (tree.getKind()) {
            case LESS_THAN, LESS_THAN_EQUAL, GREATER_THAN, GREATER_THAN_EQUAL -> true;
            default -> false;
        };
        if (isOrder && code.isKind(one.get(), code.elements().getTypeElement("java.lang.Comparable").asType())) {
            fixes.add(0, Fix.of("use 'compareTo'", edits -> {
                Range operator = new Range(code.range(tree.getLeftOperand()).end(), code.range(tree.getRightOperand())
                        .start());
                String sign = code.text(operator).strip();
                edits.replace(tree, to -> to.carry(code.range(tree.getLeftOperand())).write(".compareTo(")
                        .carry(code.range(tree.getRightOperand())).write(") " + sign + " 0"));
            }));
        }
        return fixes;
    }

    /** {@code list[i]} is {@code list.get(i)}. */
    private static List<Fix> element(TreePath path, AttributedFile code) {
        ArrayAccessTree access = (ArrayAccessTree) path.getLeaf();
        boolean isList = code.type(new TreePath(path, access.getExpression()))
                .filter(type -> code.isKind(type, code.elements().getTypeElement("java.util.List").asType())
                        || code.isKind(type, code.elements().getTypeElement("java.util.Map").asType())).isPresent();
        return isList ? List.of(Fix.of("use 'get'",
                edits -> edits.replace(access, to -> to.carry(code.range(access.getExpression()))
                .write(".get(").carry(code.range(access.getIndex())).write(")")))) : List.of();
    }

    /** A loop over a map goes over its entries or keys, one over a stream over its elements. */
    private static List<Fix> source(TreePath path, AttributedFile code) {
        EnhancedForLoopTree loop = (EnhancedForLoopTree) path.getLeaf();
        Optional<TypeMirror> type = code.type(new TreePath(path, loop.getExpression()));
        boolean isMap = type.filter(known -> code.isKind(known, code.elements().getTypeElement("java.util.Map")
                .asType())).isPresent();
        int end = code.range(loop.getExpression()).end();
        return isMap ? List.of(Fix.of("go over its entries", edits -> edits.insert(end, ".entrySet()")),
                Fix.of("go over its keys", edits -> edits.insert(end, ".keySet()")),
                Fix.of("go over its values", edits -> edits.insert(end, ".values()"))) : List.of();
    }
}
