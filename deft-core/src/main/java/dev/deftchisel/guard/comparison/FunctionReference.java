package dev.deftchisel.guard.comparison;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;

/**
 * A reference to a method or constructor (JLS 15.13), and what it passes of what its function gets.
 *
 * @param taken       how many parameters the function has
 * @param takesObject whether the first of them is the object on which the method is called
 */
record FunctionReference(int taken, boolean takesObject) {

    /** The reference at a range, if what it stands for is known. */
    static Optional<FunctionReference> at(AttributedFile code, Range range) {
        return Functions.reference(code, range)
                .flatMap(path -> code.type(path).flatMap(type -> Functions.of(code, type))
                        .map(function -> new FunctionReference(function.getParameterTypes().size(),
                                takesObject(code, path))));
    }

    private static boolean takesObject(AttributedFile code, TreePath path) {
        MemberReferenceTree tree = (MemberReferenceTree) path.getLeaf();
        Optional<Element> method = code.element(path);
        Optional<Element> before = code.element(new TreePath(path, tree.getQualifierExpression()));
        boolean isType = tree.getQualifierExpression().getKind() == Tree.Kind.PARAMETERIZED_TYPE
                || before.filter(TypeElement.class::isInstance).isPresent();
        return tree.getMode() == MemberReferenceTree.ReferenceMode.INVOKE && isType
                && method.filter(one -> one.getModifiers().contains(Modifier.STATIC)).isEmpty();
    }

    /** The parameters of the function that are passed to the method, by index, in order. */
    List<Integer> passed() {
        return IntStream.range(takesObject ? 1 : 0, taken).boxed().toList();
    }

    /**
     * Whether a call is all that a lambda does and passes on what that gets.
     *
     * @param expected for each argument which of {@link #passed} it is, or {@link NewSignature#ADDED}
     * @param origins  for each parameter of the lambda which of those of the function it is
     */
    boolean isPassedOnBy(AttributedFile code, TreePath call, List<Integer> expected, List<Integer> origins) {
        if (!(call.getParentPath().getLeaf() instanceof LambdaExpressionTree lambda)
                || lambda.getParameters().size() != origins.size()) {
            return false;
        }
        TreePath path = call.getParentPath();
        List<Optional<Element>> now = lambda.getParameters().stream()
                .map(parameter -> code.element(new TreePath(path, parameter))).toList();
        List<Optional<Element>> parameters = IntStream.range(0, taken)
                .mapToObj(i -> origins.contains(i) ? now.get(origins.indexOf(i)) : Optional.<Element>empty()).toList();
        List<? extends ExpressionTree> arguments = Calls.arguments(call.getLeaf());
        boolean isRight = arguments.size() == expected.size();
        for (int i = 0; isRight && i < arguments.size(); i++) {
            if (expected.get(i) >= 0) {
                isRight = is(code, new TreePath(call, arguments.get(i)),
                        parameters.get(passed().get(expected.get(i))));
            }
        }
        return isRight && (!takesObject || call.getLeaf() instanceof MethodInvocationTree
                && Calls.receiver(call).filter(object -> is(code, object, parameters.get(0))).isPresent());
    }

    private static boolean is(AttributedFile code, TreePath name, Optional<Element> parameter) {
        return code.element(name).filter(VariableElement.class::isInstance).filter(one -> parameter
                .filter(one::equals).isPresent()).isPresent();
    }
}
