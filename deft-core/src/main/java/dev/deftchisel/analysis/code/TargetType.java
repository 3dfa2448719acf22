package dev.deftchisel.analysis.code;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.tree.YieldTree;
import com.sun.source.util.TreePath;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * The type that the place of an expression asks for: its target type (JLS 5.2, 5.3, 15.25, 15.28). The questions differ
 * in how much is counted as a place that asks for one; each is empty where the place asks for none or the compiler
 * cannot tell.
 *
 * @param type   the target type
 * @param source where it comes from: the type as it is written at a variable or method of the same file, or the
 *               variable that is assigned; empty for other places
 */
public record TargetType(TypeMirror type, Optional<TreePath> source) {

    /**
     * Of an expression whose own type may be wrong: variable, assignment, result, condition, or an argument where only
     * one method can be meant; through parentheses and branches of a conditional expression.
     */
    public static Optional<TargetType> of(TreePath value, AttributedFile code) {
        TreePath path = value;
        while (path.getParentPath().getLeaf() instanceof ParenthesizedTree
                || path.getParentPath().getLeaf() instanceof ConditionalExpressionTree choice
                && choice.getCondition() != path.getLeaf()) {
            path = path.getParentPath();
        }
        TreePath parent = path.getParentPath();
        Tree tree = parent.getLeaf();
        if (tree instanceof VariableTree variable) {
            return code.saysType(variable) ? written(new TreePath(parent, variable.getType()), code) : Optional.empty();
        } else if (tree instanceof AssignmentTree assignment && assignment.getExpression() == path.getLeaf()) {
            return written(new TreePath(parent, assignment.getVariable()), code);
        } else if (tree instanceof ReturnTree) {
            return code.result(parent).flatMap(type -> written(type, code));
        } else if (tree instanceof IfTree || tree instanceof WhileLoopTree || tree instanceof DoWhileLoopTree
                || tree instanceof ConditionalExpressionTree) {
            return Optional.of(new TargetType(code.types().getPrimitiveType(TypeKind.BOOLEAN), Optional.empty()));
        }
        return tree instanceof MethodInvocationTree || tree instanceof NewClassTree
                ? ofSoleCandidate(parent, path, code) : Optional.empty();
    }

    private static Optional<TargetType> written(TreePath source, AttributedFile code) {
        return code.type(source).map(type -> new TargetType(type, Optional.of(source)));
    }

    /** What the only candidate with this number of parameters takes. */
    private static Optional<TargetType> ofSoleCandidate(TreePath call, TreePath value, AttributedFile code) {
        int index = Calls.arguments(call.getLeaf()).indexOf(value.getLeaf());
        CallCandidates candidates = new CallCandidates(code, call);
        List<ExecutableElement> all = candidates.ofSameArity();
        return index < 0 || all.size() != 1 ? Optional.empty()
                : candidates.target(all.get(0), index, code.ownType(value))
                .map(type -> new TargetType(type, Optional.empty()));
    }

    /**
     * The type of the variable that a declaration or assignment gives a value; empty for another tree, or one of
     * {@code var}.
     */
    public static Optional<TypeMirror> ofVariable(TreePath declarationOrAssignment, AttributedFile code) {
        Tree tree = declarationOrAssignment.getLeaf();
        if (tree instanceof VariableTree variable) {
            return code.saysType(variable) ? code.type(new TreePath(declarationOrAssignment, variable.getType()))
                    : Optional.empty();
        }
        return tree instanceof AssignmentTree assignment
                ? code.type(new TreePath(declarationOrAssignment, assignment.getVariable())) : Optional.empty();
    }

    /**
     * Of an expression that stands directly where a variable is declared with its type, assigned, or a result is
     * returned (JLS 5.2).
     */
    public static Optional<TypeMirror> ofAssignment(TreePath value, AttributedFile code) {
        TreePath parent = value.getParentPath();
        return parent.getLeaf() instanceof ReturnTree ? code.result(parent).flatMap(code::type)
                : ofVariable(parent, code);
    }

    /**
     * The same, also for an argument of a method or constructor of whose name and number of parameters there is only
     * one.
     */
    public static Optional<TypeMirror> ofAssignmentOrCall(TreePath value, AttributedFile code) {
        TreePath call = value.getParentPath();
        boolean isCall = call.getLeaf() instanceof MethodInvocationTree || call.getLeaf() instanceof NewClassTree;
        if (!isCall || !Calls.arguments(call.getLeaf()).contains(value.getLeaf())) {
            return ofAssignment(value, code);
        }
        int index = Calls.arguments(call.getLeaf()).indexOf(value.getLeaf());
        return chosen(call, code).filter(method -> !method.isVarArgs() && CallCandidates.isOnlyCandidate(method, code))
                .map(method -> method.getParameters().get(index).asType());
    }

    /**
     * What a value is converted to in its place, whatever the place is: also as an argument of the method that was
     * chosen, as the result of a lambda (JLS 15.27.3), as an operand of an operator that assigns (JLS 15.26.2), or
     * through choices of which it is a branch (JLS 15.25, 15.28).
     */
    public static Optional<TypeMirror> ofConversion(TreePath value, AttributedFile code) {
        TreePath place = TreePaths.outer(value);
        Tree tree = place.getLeaf();
        if (tree instanceof ConditionalExpressionTree choice) {
            return TreePaths.inner(choice.getCondition()) == value.getLeaf() ? Optional.empty()
                    : throughChoice(place, code);
        } else if (tree instanceof YieldTree || tree instanceof CaseTree) {
            return choiceAround(place).flatMap(choice -> throughChoice(choice, code));
        } else if (tree instanceof LambdaExpressionTree) {
            return resultOfLambda(place, code);
        } else if (tree instanceof ReturnTree) {
            Optional<TreePath> lambda = TreePaths.function(place)
                    .filter(owner -> owner.getLeaf() instanceof LambdaExpressionTree);
            return lambda.isPresent() ? resultOfLambda(lambda.get(), code) : code.result(place).flatMap(code::type);
        } else if (tree instanceof CompoundAssignmentTree compound) {
            return code.type(new TreePath(place, compound.getVariable()));
        }
        return tree instanceof MethodInvocationTree || tree instanceof NewClassTree
                ? parameter(place, value, code) : ofVariable(place, code);
    }

    /**
     * A choice between numbers is computed as their common type, any other is what its own place asks for (JLS
     * 15.25).
     */
    private static Optional<TypeMirror> throughChoice(TreePath choice, AttributedFile code) {
        return code.type(choice).filter(type -> type.getKind() == TypeKind.DOUBLE || type.getKind() == TypeKind.FLOAT)
                .or(() -> ofConversion(choice, code));
    }

    private static Optional<TreePath> choiceAround(TreePath place) {
        TreePath at = place;
        while (at != null && !(at.getLeaf() instanceof SwitchExpressionTree) && !(at.getLeaf() instanceof SwitchTree)) {
            at = at.getParentPath();
        }
        return Optional.ofNullable(at).filter(path -> path.getLeaf() instanceof SwitchExpressionTree);
    }

    private static Optional<TypeMirror> resultOfLambda(TreePath lambda, AttributedFile code) {
        return code.type(lambda).flatMap(type -> Functions.of(code, type)).map(ExecutableType::getReturnType);
    }

    private static Optional<TypeMirror> parameter(TreePath call, TreePath value, AttributedFile code) {
        List<? extends ExpressionTree> arguments = Calls.arguments(call.getLeaf());
        int index = arguments.stream().map(TreePaths::inner).toList().indexOf(value.getLeaf());
        return index < 0 ? Optional.empty() : chosen(call, code).flatMap(method -> CallCandidates.parameter(method,
                method.getParameters().stream().map(VariableElement::asType).toList(), arguments.size(), index));
    }

    /** The method or constructor that the compiler chose. */
    private static Optional<ExecutableElement> chosen(TreePath call, AttributedFile code) {
        return code.element(call).filter(ExecutableElement.class::isInstance).map(ExecutableElement.class::cast);
    }
}
