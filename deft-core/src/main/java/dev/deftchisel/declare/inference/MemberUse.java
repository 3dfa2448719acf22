package dev.deftchisel.declare.inference;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.rewrite.CallArguments;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;

/**
 * What is selected from a value, which its type must have.
 *
 * @param code  where it is
 * @param name  of the member
 * @param call  what calls it; empty for a field
 */
public record MemberUse(AttributedFile code, String name, Optional<TreePath> call) {

    /** What is selected from the value that is missing; empty where nothing is. */
    static Optional<MemberUse> from(UnresolvedName use) {
        TreePath place = use.value().getParentPath();
        return place.getLeaf() instanceof MemberSelectTree select && select.getExpression() == use.value().getLeaf()
                ? Optional.of(of(use.code(), place)) : Optional.empty();
    }

    /** @param select what is selected, with what it is selected from */
    static MemberUse of(AttributedFile code, TreePath select) {
        String name = ((MemberSelectTree) select.getLeaf()).getIdentifier().toString();
        Optional<TreePath> call = Optional.of(select.getParentPath())
                .filter(path -> path.getLeaf() instanceof MethodInvocationTree called
                        && called.getMethodSelect() == select.getLeaf());
        return new MemberUse(code, name, call);
    }

    /** Whether a member can be meant. */
    private boolean isOf(Element member) {
        boolean isNamed = member.getSimpleName().contentEquals(name)
                && member instanceof ExecutableElement == call.isPresent();
        return isNamed && (!(member instanceof ExecutableElement method) || takesAll(method));
    }

    private boolean takesAll(ExecutableElement method) {
        return takesAll(code, call.orElseThrow(), method);
    }

    /** Whether a method can be meant by a call (JLS 15.12.2), as far as the arguments have types. */
    public static boolean takesAll(AttributedFile code, TreePath call, ExecutableElement method) {
        List<? extends ExpressionTree> arguments = new CallArguments(code, call).all();
        int taken = method.getParameters().size();
        return CallCandidates.takes(method, arguments.size())
                && (method.isVarArgs() || IntStream.range(0, taken).allMatch(i -> {
            TypeMirror parameter = code.types().erasure(method.getParameters().get(i).asType());
            return LikelyTargetTypes.known(code.type(new TreePath(call, arguments.get(i)))).map(code.types()::erasure)
                    .filter(type -> !code.types().isAssignable(type, parameter)).isEmpty();
        }));
    }

    /** Whether a type has it. */
    boolean isIn(TypeElement type) {
        return code.elements().getAllMembers(type).stream().anyMatch(this::isOf);
    }

    /** The method of an object of a type that can be meant. */
    Optional<ExecutableElement> method(TypeElement type) {
        return code.elements().getAllMembers(type).stream()
                .filter(member -> member instanceof ExecutableElement && !member.getModifiers()
                        .contains(Modifier.STATIC) && isOf(member))
                .map(member -> (ExecutableElement) member)
                .findFirst();
    }
}
