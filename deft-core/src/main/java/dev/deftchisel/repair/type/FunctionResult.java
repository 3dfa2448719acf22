package dev.deftchisel.repair.type;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.repair.ContainerContent;
import dev.deftchisel.repair.name.MeantName;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** A function where its result is wanted, and the result that a function is asked for (JLS 15.27.3). */
final class FunctionResult {

    private FunctionResult() {
    }

    /** A function where its result is wanted: it is called. */
    static Optional<Fix> result(TreePath path, TypeMirror own, TypeMirror wanted, AttributedFile code) {
        return path.getLeaf() instanceof IdentifierTree ? MeantName.function(own, code)
                .filter(method -> method.getParameters().isEmpty()
                && !NamedTypes.is(wanted, "java.lang.Object"))
                .map(method -> ContainerContent.suffixed(path, "." + method.getSimpleName() + "()", "call its method '"
                        + method.getSimpleName() + "'")) : Optional.empty();
    }

    /** A number where a function should say yes or no, or the other way round. */
    static List<Fix> lambdaResult(TreePath path, Optional<TypeMirror> own, AttributedFile code, ErrorSite site) {
        Optional<TreePath> set = site.nearest(AssignmentTree.class)
                .filter(assignment -> assignment.getParentPath().getLeaf() instanceof LambdaExpressionTree);
        if (set.isPresent()) {
            AssignmentTree tree = (AssignmentTree) set.get().getLeaf();
            Range sign = new Range(code.range(tree.getVariable()).end(), code.range(tree.getExpression()).start());
            return List.of(Fix.of("write '=='", edits -> edits.replace(sign, " == ")));
        }
        boolean isComparator = site.nearest(LambdaExpressionTree.class)
                .filter(lambda -> ((LambdaExpressionTree) lambda.getLeaf()).getParameters().size() == 2).isPresent();
        if (isComparator && path.getLeaf() instanceof BinaryTree minus && minus.getKind() == Tree.Kind.MINUS) {
            return List.of(compared(minus, minus.getLeftOperand(), minus.getRightOperand(),
                    numbers(new TreePath(path, minus.getLeftOperand()), code), code));
        }
        boolean isNumber = own.filter(type -> type.getKind().isPrimitive() && type.getKind() != TypeKind.BOOLEAN)
                .isPresent();
        if (isNumber) {
            return List.of(ContainerContent.suffixed(path, " != 0", "compare it with 0"));
        }
        if (path.getLeaf() instanceof BinaryTree compared && own.filter(type -> type.getKind() == TypeKind.BOOLEAN)
                .isPresent()) {
            TreePath left = new TreePath(path, compared.getLeftOperand());
            String sort = numbers(left, code);
            boolean isTurned = compared.getKind() == Tree.Kind.LESS_THAN
                    || compared.getKind() == Tree.Kind.LESS_THAN_EQUAL;
            ExpressionTree one = isTurned ? compared.getRightOperand() : compared.getLeftOperand();
            ExpressionTree other = isTurned ? compared.getLeftOperand() : compared.getRightOperand();
            return sort.isEmpty() ? List.of() : List.of(compared(compared, one, other, sort, code));
        }
        return List.of();
    }

    private static Fix compared(BinaryTree whole, ExpressionTree one, ExpressionTree other, String box,
            AttributedFile code) {
        return Fix.of("compare them", edits -> edits.replace(whole, to -> to.write(box + ".compare(")
                .carry(code.range(one)).write(", ").carry(code.range(other)).write(")")));
    }

    /** The class that compares numbers like this one; empty for what is no number. */
    private static String numbers(TreePath path, AttributedFile code) {
        return code.type(path).map(code::unboxed).filter(type -> type.getKind().isPrimitive())
                .map(type -> switch (type.getKind()) {
            case LONG -> "Long";
            case DOUBLE, FLOAT -> "Double";
            default -> "Integer";
        }).orElse("");
    }
}
