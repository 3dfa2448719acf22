package dev.deftchisel.repair.type;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * Arithmetic with objects: operators are for numbers and strings (JLS 15.17 to 15.22), an object has a method that does
 * the same. A whole calculation is written anew at once, since the compiler complains about its innermost part only.
 */
public final class MethodForOperator implements Repair {

    /** The usual names of the methods that do what an operator does, the likeliest first. */
    private static final Map<Tree.Kind, List<String>> METHODS =
            Map.ofEntries(Map.entry(Tree.Kind.PLUS, List.of("add", "plus", "addAndGet", "plusDays")),
            Map.entry(Tree.Kind.MINUS, List.of("subtract", "minus", "minusDays")),
            Map.entry(Tree.Kind.MULTIPLY, List.of("multiply", "multipliedBy", "times")),
            Map.entry(Tree.Kind.DIVIDE, List.of("divide", "dividedBy")),
            Map.entry(Tree.Kind.REMAINDER, List.of("remainder", "mod")),
            Map.entry(Tree.Kind.AND, List.of("and")), Map.entry(Tree.Kind.OR, List.of("or")),
            Map.entry(Tree.Kind.XOR, List.of("xor")),
            Map.entry(Tree.Kind.UNARY_MINUS, List.of("negate", "negated")));
    private static final Map<Tree.Kind, List<String>> STEPS = Map.of(Tree.Kind.POSTFIX_INCREMENT,
            List.of("getAndIncrement", "increment"),
            Tree.Kind.PREFIX_INCREMENT, List.of("incrementAndGet", "increment"), Tree.Kind.POSTFIX_DECREMENT,
            List.of("getAndDecrement", "decrement"),
            Tree.Kind.PREFIX_DECREMENT, List.of("decrementAndGet", "decrement"));
    private static final Map<Tree.Kind, Tree.Kind> COMPOUND = Map.of(Tree.Kind.PLUS_ASSIGNMENT, Tree.Kind.PLUS,
            Tree.Kind.MINUS_ASSIGNMENT, Tree.Kind.MINUS,
            Tree.Kind.MULTIPLY_ASSIGNMENT, Tree.Kind.MULTIPLY, Tree.Kind.DIVIDE_ASSIGNMENT, Tree.Kind.DIVIDE,
            Tree.Kind.REMAINDER_ASSIGNMENT,
            Tree.Kind.REMAINDER);
    private static final Map<Tree.Kind, String> ORDERS = Map.of(Tree.Kind.LESS_THAN, "<", Tree.Kind.LESS_THAN_EQUAL,
            "<=", Tree.Kind.GREATER_THAN, ">",
            Tree.Kind.GREATER_THAN_EQUAL, ">=", Tree.Kind.EQUAL_TO, "==", Tree.Kind.NOT_EQUAL_TO, "!=");

    @Override
    public Set<String> codes() {
        return Set.of("operator.cant.be.applied", "operator.cant.be.applied.1", "incomparable.types",
                "cant.assign.val.to.final.var", "cant.assign.val.to.var");
    }

    /** Code for a calculation, and what it gives. */
    private record WrittenCall(String text, TypeMirror type, boolean isCall) {
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Optional<TreePath> found = site.around().stream().filter(path -> path.getLeaf() instanceof BinaryTree
                || path.getLeaf() instanceof UnaryTree || path.getLeaf() instanceof CompoundAssignmentTree).findFirst();
        if (found.isEmpty()) {
            return List.of();
        }
        TreePath path = found.get();
        if (path.getLeaf() instanceof UnaryTree step && STEPS.containsKey(step.getKind())) {
            return step(path, step, site.code()).stream().toList();
        } else if (path.getLeaf() instanceof CompoundAssignmentTree) {
            return compound(path, site.code()).stream().toList();
        }
        while (path.getParentPath().getLeaf() instanceof BinaryTree || path.getParentPath()
                .getLeaf() instanceof ParenthesizedTree
                && path.getParentPath().getParentPath().getLeaf() instanceof BinaryTree) {
            path = path.getParentPath();
        }
        if (path.getParentPath().getLeaf() instanceof CompoundAssignmentTree) {
            return compound(path.getParentPath(), site.code()).stream().toList();
        }
        TreePath whole = path;
        if (path.getLeaf() instanceof BinaryTree rest && rest.getKind() == Tree.Kind.REMAINDER && site.code()
                .type(new TreePath(path, rest.getLeftOperand()))
                .filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent()) {
            AttributedFile code = site.code();
            return List.of(Fix.of("format it", edits -> edits.replace(rest, to -> to.write("String.format(")
                    .carry(code.range(rest.getLeftOperand())).write(", ")
                    .carry(code.range(TreePaths.inner(rest.getRightOperand()))).write(")"))));
        }
        if (path.getLeaf() instanceof BinaryTree order && order.getKind() == Tree.Kind.MINUS
                && TreePaths.outer(path).getLeaf() instanceof LambdaExpressionTree) {
            return compared(path, order, site.code()).stream().toList();
        }
        return written(whole, site.code()).filter(WrittenCall::isCall)
                .map(one -> Fix.of("call the methods that calculate",
                edits -> replace(edits, whole, one.text()))).stream().toList();
    }

    /** {@code (a, b) -> a - b} of texts. */
    private static Optional<Fix> compared(TreePath path, BinaryTree order, AttributedFile code) {
        return code.type(new TreePath(path, order.getLeftOperand())).filter(type -> type instanceof DeclaredType
                        && code.isKind(type, code.elements().getTypeElement("java.lang.Comparable").asType()))
                .map(type -> Fix.of("call 'compareTo'", edits -> edits.replace(order,
                        to -> to.carry(code.range(order.getLeftOperand())).write(".compareTo(")
                        .carry(code.range(order.getRightOperand())).write(")"))));
    }

    private static void replace(FixEdits edits, TreePath path, String text) {
        edits.replace(edits.code().range(path.getLeaf()), text);
    }

    /** {@code calls++}: it counts by a method, or gets what adding one gives. */
    private static Optional<Fix> step(TreePath path, UnaryTree tree, AttributedFile code) {
        TreePath operand = new TreePath(path, tree.getExpression());
        Optional<TypeMirror> type = code.type(operand);
        String name = code.text(tree.getExpression());
        boolean isAlone = path.getParentPath().getLeaf() instanceof ExpressionStatementTree;
        List<String> names = STEPS.get(tree.getKind());
        Optional<String> counter = type.flatMap(known -> (isAlone && names.get(0).startsWith("getAnd")
                ? List.of(names.get(0).contains("Inc") ? "incrementAndGet" : "decrementAndGet", names.get(1)) : names)
                .stream()
                .filter(one -> method(known, List.of(one), 0, code).isPresent()).findFirst());
        if (counter.isPresent()) {
            return Optional.of(Fix.of("call '" + counter.get() + "'",
                    edits -> replace(edits, path, name + "." + counter.get() + "()")));
        }
        boolean isUp = names.get(0).contains("Increment") || names.get(0).contains("increment");
        Optional<ExecutableElement> method = type
                .flatMap(known -> method(known, METHODS.get(isUp ? Tree.Kind.PLUS : Tree.Kind.MINUS), 1, code));
        return isAlone ? method.flatMap(known -> argument(known,
                new WrittenCall("1", code.types().getPrimitiveType(TypeKind.INT), false), code)
                .map(one -> Fix.of("assign what '" + known.getSimpleName() + "' gives", edits -> replace(edits, path,
                        name + " = " + name + "." + known.getSimpleName() + "(" + one + ")")))) : Optional.empty();
    }

    /** {@code total += due}. */
    private static Optional<Fix> compound(TreePath path, AttributedFile code) {
        CompoundAssignmentTree tree = (CompoundAssignmentTree) path.getLeaf();
        Tree.Kind kind = COMPOUND.getOrDefault(tree.getKind(), Tree.Kind.OTHER);
        Optional<WrittenCall> left = written(new TreePath(path, tree.getVariable()), code);
        Optional<WrittenCall> right = written(new TreePath(path, tree.getExpression()), code);
        if (left.isEmpty() || right.isEmpty() || left.get().isCall()) {
            return Optional.empty();
        }
        return call(kind, left.get(), right.get(), code).map(one -> {
            boolean isSame = code.types().isAssignable(one.type(), left.get().type());
            String name = code.text(tree.getVariable());
            return Fix.of("call the methods that calculate",
                    edits -> replace(edits, path, isSame ? name + " = " + one.text() : one.text()));
        });
    }

    /** A calculation with methods in place of the operators that do not work; empty where there is no such method. */
    private static Optional<WrittenCall> written(TreePath path, AttributedFile code) {
        Tree tree = path.getLeaf();
        if (tree instanceof ParenthesizedTree inner) {
            return written(new TreePath(path, inner.getExpression()), code).map(one -> one.isCall() ? one
                    : new WrittenCall(code.text(tree), one.type(), false));
        } else if (tree instanceof BinaryTree binary) {
            Optional<WrittenCall> left = written(new TreePath(path, binary.getLeftOperand()), code);
            Optional<WrittenCall> right = written(new TreePath(path, binary.getRightOperand()), code);
            if (left.isEmpty() || right.isEmpty()) {
                return Optional.empty();
            } else if (!isObject(left.get()) && !isObject(right.get()) && !(binary.getKind() == Tree.Kind.MULTIPLY
                    && NamedTypes.is(left.get().type(), "java.lang.String"))) {
                boolean isCall = left.get().isCall() || right.get().isCall();
                String sign = code.text(new Range(code.range(binary.getLeftOperand())
                        .end(), code.range(binary.getRightOperand()).start()));
                return Optional.of(new WrittenCall(left.get().text() + sign + right.get().text(), code.type(path)
                        .orElse(left.get().type()), isCall));
            }
            return call(binary.getKind(), grouped(left.get(), binary.getLeftOperand()), right.get(), code);
        } else if (tree instanceof UnaryTree minus && minus.getKind() == Tree.Kind.UNARY_MINUS) {
            Optional<WrittenCall> operand = written(new TreePath(path, minus.getExpression()), code);
            return operand.filter(MethodForOperator::isObject)
                    .flatMap(one -> method(one.type(), METHODS.get(Tree.Kind.UNARY_MINUS), 0, code)
                    .map(method -> new WrittenCall(grouped(one, minus.getExpression())
                            .text() + "." + method.getSimpleName()
                            + "()", method.getReturnType(), true)))
                    .or(() -> code.type(path).map(type -> new WrittenCall(code.text(tree), type, false)));
        }
        return code.type(path).map(type -> new WrittenCall(code.text(tree), type, false));
    }

    private static WrittenCall grouped(WrittenCall one, ExpressionTree tree) {
        boolean isGrouped = !one.isCall() && Precedence.needsParenthesesBeforeDot(tree);
        return isGrouped ? new WrittenCall("(" + one.text() + ")", one.type(), false) : one;
    }

    private static boolean isObject(WrittenCall one) {
        return one.type() instanceof DeclaredType type
                && !Set.of("java.lang.String", "java.lang.Integer", "java.lang.Long", "java.lang.Double",
                "java.lang.Boolean", "java.lang.Character")
                .contains(((TypeElement) type.asElement()).getQualifiedName().toString());
    }

    /** One operator between two values, at least one of which is an object. */
    private static Optional<WrittenCall> call(Tree.Kind kind, WrittenCall left, WrittenCall right,
            AttributedFile code) {
        Optional<WrittenCall> object = isObject(left) || NamedTypes.is(left.type(), "java.lang.String")
                ? Optional.of(left)
                : made(left, right.type(), code);
        if (object.isEmpty()) {
            return Optional.empty();
        }
        boolean isOrder = ORDERS.containsKey(kind);
        if (kind == Tree.Kind.MULTIPLY && NamedTypes.is(left.type(), "java.lang.String")) {
            return Optional.of(new WrittenCall(left.text() + ".repeat(" + right.text() + ")", left.type(), true));
        }
        List<String> names = isOrder ? List.of("compareTo") : METHODS.getOrDefault(kind, List.of());
        for (String name : names) {
            for (ExecutableElement method : methods(object.get().type(), name, 1, code)) {
                Optional<String> argument = argument(method, right, code);
                if (argument.isPresent()) {
                    String text = object.get().text() + "." + name + "(" + argument.get() + ")";
                    return Optional.of(new WrittenCall(isOrder ? text + " " + ORDERS.get(kind) + " 0" : text,
                            isOrder ? code.types().getPrimitiveType(TypeKind.BOOLEAN) : method.getReturnType(), true));
                }
            }
        }
        return Optional.empty();
    }

    /** A number as an object of the other's type, by its {@code valueOf}. */
    private static Optional<WrittenCall> made(WrittenCall number, TypeMirror type, AttributedFile code) {
        return type instanceof DeclaredType declared && number.type().getKind().isPrimitive()
                ? methods(type, "valueOf", 1, code).stream()
                .filter(method -> method.getModifiers().contains(Modifier.STATIC)
                        && code.types().isAssignable(number.type(), method.getParameters().get(0).asType())).findFirst()
                .map(method -> new WrittenCall(declared.asElement().getSimpleName() + ".valueOf(" + number.text() + ")",
                        type, true)) : Optional.empty();
    }

    /** What a method gets for a value: the value, or an object that is made of a number. */
    private static Optional<String> argument(ExecutableElement method, WrittenCall value, AttributedFile code) {
        TypeMirror wanted = method.getParameters().get(0).asType();
        boolean isOwn = wanted.getKind() == TypeKind.TYPEVAR;
        TypeMirror asked = isOwn ? method.getEnclosingElement().asType() : wanted;
        if (code.types().isAssignable(value.type(), code.types().erasure(wanted))) {
            return Optional.of(value.text());
        }
        return made(value, asked, code).map(WrittenCall::text);
    }

    private static Optional<ExecutableElement> method(TypeMirror type, List<String> names, int parameters,
            AttributedFile code) {
        return names.stream().flatMap(name -> methods(type, name, parameters, code).stream()).findFirst();
    }

    private static List<ExecutableElement> methods(TypeMirror type, String name, int parameters, AttributedFile code) {
        return type instanceof DeclaredType declared && declared.asElement().getKind() != ElementKind.ENUM
                ? ElementFilter.methodsIn(code.elements().getAllMembers((TypeElement) declared.asElement())).stream()
                .filter(method -> method.getSimpleName().contentEquals(name) && method.getParameters()
                        .size() == parameters).toList() : List.of();
    }
}
