package dev.deftchisel.rule;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.YieldTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Functions;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** The type that the place of an expression asks for (JLS 5.2). */
public final class Wanted {

    private Wanted() {
    }

    /** Where a variable is declared with its type, where one is assigned, and where a method hands back a result. */
    public static Optional<TypeMirror> at(TreePath value, AttributedFile code) {
        TreePath parent = value.getParentPath();
        return parent.getLeaf() instanceof ReturnTree ? code.result(parent).flatMap(code::type) : code.target(parent);
    }

    /** The same, also for an argument of a method or constructor of whose name and number of parameters there is one only. */
    public static Optional<TypeMirror> orTaken(TreePath value, AttributedFile code) {
        TreePath call = value.getParentPath();
        boolean isCall = call.getLeaf() instanceof MethodInvocationTree || call.getLeaf() instanceof NewClassTree;
        if (!isCall || !Calls.arguments(call.getLeaf()).contains(value.getLeaf())) {
            return at(value, code);
        }
        int index = Calls.arguments(call.getLeaf()).indexOf(value.getLeaf());
        return code.element(call)
                .filter(element -> element instanceof ExecutableElement).map(element -> (ExecutableElement) element)
                .filter(method -> !method.isVarArgs() && isAlone(method, code))
                .map(method -> method.getParameters().get(index).asType());
    }

    /**
     * What a value becomes in its place, whatever the place is: also as an argument of the method that was chosen, as the result of a
     * lambda (JLS 15.27.3), as an operand of an operator that assigns (JLS 15.26.2), or through choices of which it is a branch
     * (JLS 15.25, 15.28).
     */
    public static Optional<TypeMirror> inPlace(TreePath value, AttributedFile code) {
        TreePath place = AttributedFile.outer(value);
        Tree tree = place.getLeaf();
        if (tree instanceof ConditionalExpressionTree choice) {
            return AttributedFile.inner(choice.getCondition()) == value.getLeaf() ? Optional.empty() : throughChoice(place, code);
        } else if (tree instanceof YieldTree || tree instanceof CaseTree) {
            return choiceAround(place).flatMap(choice -> throughChoice(choice, code));
        } else if (tree instanceof LambdaExpressionTree) {
            return resultOfLambda(place, code);
        } else if (tree instanceof ReturnTree) {
            Optional<TreePath> lambda = AttributedFile.function(place).filter(owner -> owner.getLeaf() instanceof LambdaExpressionTree);
            return lambda.isPresent() ? resultOfLambda(lambda.get(), code) : code.result(place).flatMap(code::type);
        } else if (tree instanceof CompoundAssignmentTree compound) {
            return code.type(new TreePath(place, compound.getVariable()));
        }
        return tree instanceof MethodInvocationTree || tree instanceof NewClassTree ? parameter(place, value, code) : code.target(place);
    }

    /** A choice between numbers is worked out as their common type, any other is what its own place asks for (JLS 15.25). */
    private static Optional<TypeMirror> throughChoice(TreePath choice, AttributedFile code) {
        return code.type(choice).filter(type -> type.getKind() == TypeKind.DOUBLE || type.getKind() == TypeKind.FLOAT)
                .or(() -> inPlace(choice, code));
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
        int index = arguments.stream().map(AttributedFile::inner).toList().indexOf(value.getLeaf());
        return index < 0 ? Optional.empty() : code.element(call)
                .filter(element -> element instanceof ExecutableElement).map(element -> (ExecutableElement) element)
                .flatMap(method -> type(method, index, arguments.size()));
    }

    /** What one parameter takes, or each of those of variable number when more than one is given (JLS 15.12.4.2). */
    private static Optional<TypeMirror> type(ExecutableElement method, int index, int given) {
        int last = method.getParameters().size() - 1;
        if (method.isVarArgs() && index >= last) {
            return Optional.of(method.getParameters().get(last).asType())
                    .map(type -> given == last + 1 ? type : ((ArrayType) type).getComponentType());
        }
        return index > last ? Optional.empty() : Optional.of(method.getParameters().get(index).asType());
    }

    private static boolean isAlone(ExecutableElement method, AttributedFile code) {
        TypeElement owner = (TypeElement) method.getEnclosingElement();
        List<? extends Element> members = method.getKind() == ElementKind.CONSTRUCTOR
                ? owner.getEnclosedElements() : code.elements().getAllMembers(owner);
        return members.stream().filter(other -> other.getSimpleName().equals(method.getSimpleName())
                && other instanceof ExecutableElement twin
                && (twin.isVarArgs() || twin.getParameters().size() == method.getParameters().size())).count() == 1;
    }
}
