package dev.deftchisel.analysis.code;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Supertypes;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;

/** Which methods and constructors are called in a file. */
public final class Calls {

    private Calls() {
    }

    /** The method that is called; empty where it is no call, or of an unknown method. */
    public static Optional<ExecutableElement> method(AttributedFile code, TreePath call) {
        return call.getLeaf() instanceof MethodInvocationTree
                ? code.element(call).filter(element -> element instanceof ExecutableElement)
                .map(element -> (ExecutableElement) element)
                : Optional.empty();
    }

    /**
     * Whether something is a call of a method of a type, or of one that overrides it.
     *
     * @param owner     qualified name of a type that has the method
     * @param name      of the method
     * @param arguments how many are passed
     */
    public static boolean isOf(AttributedFile code, TreePath call, String owner, String name, int arguments) {
        return call.getLeaf() instanceof MethodInvocationTree tree && tree.getArguments().size() == arguments
                && name(tree).equals(name)
                && method(code, call).filter(method -> isOneOf(code, method, owner)).isPresent();
    }

    /**
     * Whether a method is declared by a type, or overrides one of it; another one may only have the name (JLS 8.4.8.1).
     */
    private static boolean isOneOf(AttributedFile code, ExecutableElement method, String owner) {
        TypeElement type = code.elements().getTypeElement(owner);
        return type != null && code.isKind(method.getEnclosingElement().asType(), type.asType())
                && Stream.concat(Stream.of(method), Supertypes.overridden(method, code.elements(), code.types())
                        .stream())
                        .anyMatch(above -> code.isKind(type.asType(), above.getEnclosingElement().asType()));
    }

    /** Whether something makes an object of a class, without a body of its own. */
    public static boolean makes(AttributedFile code, TreePath path, String type) {
        return path.getLeaf() instanceof NewClassTree made && made.getClassBody() == null
                && code.type(path).filter(own -> NamedTypes.is(own, type)).isPresent();
    }

    /** The simple name of the method that is called. */
    public static String name(MethodInvocationTree call) {
        Tree select = call.getMethodSelect();
        return select instanceof MemberSelectTree member ? member.getIdentifier().toString() : select.toString();
    }

    /** What stands before the dot of a call. */
    public static Optional<ExpressionTree> receiver(MethodInvocationTree call) {
        return call.getMethodSelect() instanceof MemberSelectTree member ? Optional.of(member.getExpression())
                : Optional.empty();
    }

    /** The path to what stands before the dot of a call. */
    public static Optional<TreePath> receiver(TreePath call) {
        MethodInvocationTree tree = (MethodInvocationTree) call.getLeaf();
        return receiver(tree).map(before -> new TreePath(new TreePath(call, tree.getMethodSelect()), before));
    }

    /** The arguments of a call or of the creation of an object. */
    public static List<? extends ExpressionTree> arguments(Tree call) {
        return call instanceof MethodInvocationTree called ? called.getArguments() : ((NewClassTree) call)
                .getArguments();
    }
}
