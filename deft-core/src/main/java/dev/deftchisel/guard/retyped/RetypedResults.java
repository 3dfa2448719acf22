package dev.deftchisel.guard.retyped;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.Trace;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.SymbolEffects;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;

/**
 * Calls of methods that are announced to return another type. That makes no difference where the value goes to
 * something that says its own type, or where a member is asked of it which is compared itself (JLS 5.2, 5.3); where it
 * is computed with, it may.
 */
public final class RetypedResults {

    private final Analysis before;
    private final Map<SymbolKey, NewSignature> signatures;
    private final boolean isRetyping;

    /** @param meaning of the change */
    public RetypedResults(Analysis before, SymbolEffects meaning) {
        this.before = before;
        this.signatures = meaning.signatures();
        this.isRetyping = !signatures.isEmpty() || !meaning.variables().isEmpty();
    }

    /**
     * Whether a call may have another type.
     *
     * @param trace  of the call before
     * @param actual the descriptor of its type afterwards
     */
    public boolean areFree(Trace trace, String actual) {
        return !signatures.isEmpty() && isReference(trace.value()) == isReference(actual)
                && before.code(trace.file()).stream().anyMatch(code -> code.around(trace.range()).stream()
                .filter(path -> path.getLeaf() instanceof MethodInvocationTree
                        && code.range(path.getLeaf()).equals(trace.range()))
                .anyMatch(path -> isAnnounced(code, path, actual) && saysType(code, path, isReference(actual))
                        && !RetypedValues.makesAnother(code, path, trace.value(), actual)));
    }

    /**
     * Whether a method is called on the same object by way of one that it overrides: where types of parameters and
     * results become others, members are found in these, and the same body runs (JLS 15.12.4.4).
     */
    public boolean isSameDispatch(Binding call, Set<SymbolKey> actual) {
        boolean isOnObject = isRetyping && call.isNamed() && call.role() == Role.CALL
                && before.code(call.file()).flatMap(code -> code.call(call)
                        .or(() -> Functions.reference(code, call.range())
                                .filter(path -> code.range(path.getLeaf()).end() == call.range().end()))
                        .filter(path -> isOnObject(code, path))).isPresent();
        return isOnObject && actual.stream().anyMatch(method -> before.overrides(call.key(), method));
    }

    private static boolean isOnObject(AttributedFile code, TreePath call) {
        Optional<TreePath> receiver = call.getLeaf() instanceof MemberReferenceTree reference
                ? Optional.of(new TreePath(call, reference.getQualifierExpression()))
                : call.getLeaf() instanceof MethodInvocationTree ? Calls.receiver(call) : Optional.empty();
        return receiver.filter(object -> !object.getLeaf().toString().matches("(.*\\.)?super")
                        && code.element(object).filter(TypeElement.class::isInstance).isEmpty()).isPresent();
    }

    private static boolean isReference(String descriptor) {
        return descriptor.startsWith("L") || descriptor.startsWith("[");
    }

    private boolean isAnnounced(AttributedFile code, TreePath call, String actual) {
        return code.element(call).filter(ExecutableElement.class::isInstance).map(code::key).map(signatures::get)
                .map(NewSignature::descriptor).filter(descriptor -> descriptor.endsWith(")" + actual)).isPresent();
    }

    private static boolean saysType(AttributedFile code, TreePath call, boolean isReference) {
        TreePath around = TreePaths.outer(call);
        Tree tree = around.getLeaf();
        ExpressionTree value = (ExpressionTree) call.getLeaf();
        boolean isPassed = tree instanceof MethodInvocationTree method && isAmong(method.getArguments(), value)
                || tree instanceof NewClassTree made && isAmong(made.getArguments(), value);
        return tree instanceof ExpressionStatementTree || tree instanceof ReturnTree || isPassed
                || tree instanceof AssignmentTree given && TreePaths.inner(given.getExpression()) == value
                || tree instanceof VariableTree variable && code.saysType(variable)
                || isReference && tree instanceof MemberSelectTree;
    }

    private static boolean isAmong(Iterable<? extends ExpressionTree> arguments, ExpressionTree value) {
        Optional<ExpressionTree> found = Optional.empty();
        for (ExpressionTree argument : arguments) {
            found = TreePaths.inner(argument) == value ? Optional.of(argument) : found;
        }
        return found.isPresent();
    }
}
