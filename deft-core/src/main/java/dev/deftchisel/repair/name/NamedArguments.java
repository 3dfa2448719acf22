package dev.deftchisel.repair.name;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.Fix;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;

/** Arguments with the names of their parameters, as other languages have them: {@code dues(days = 3, rate = 2)}. */
final class NamedArguments {

    private NamedArguments() {
    }

    /**
     * Takes the names away where the values stand in the order of the parameters.
     *
     * @param name an assigned name that nobody knows
     */
    static Optional<Fix> of(TreePath name, AttributedFile code) {
        TreePath call = name.getParentPath().getParentPath();
        boolean isArgument = name.getParentPath().getLeaf() instanceof AssignmentTree && call != null
                && (call.getLeaf() instanceof MethodInvocationTree || call.getLeaf() instanceof NewClassTree);
        if (!isArgument) {
            return Optional.empty();
        }
        List<? extends ExpressionTree> arguments = Calls.arguments(call.getLeaf());
        return new CallCandidates(code, call).all().stream().filter(method -> isOrdered(arguments, method)).findFirst()
                .map(method -> Fix.of("leave the names of the parameters out", edits -> arguments.stream()
                        .filter(argument -> argument instanceof AssignmentTree)
                        .forEach(argument -> edits.replace((Tree) argument,
                                to -> to.carry(code.range(((AssignmentTree) argument).getExpression()))))));
    }

    private static boolean isOrdered(List<? extends ExpressionTree> arguments, ExecutableElement method) {
        if (arguments.size() != method.getParameters().size()) {
            return false;
        }
        for (int i = 0; i < arguments.size(); i++) {
            boolean isOther = arguments.get(i) instanceof AssignmentTree named
                    && !(named.getVariable() instanceof IdentifierTree variable
                    && variable.getName().equals(method.getParameters().get(i).getSimpleName()));
            if (isOther) {
                return false;
            }
        }
        return true;
    }
}
