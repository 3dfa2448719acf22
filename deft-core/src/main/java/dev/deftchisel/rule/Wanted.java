package dev.deftchisel.rule;

import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Calls;
import dev.deftchisel.analysis.Code;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;

/** The type that the place of an expression asks for (JLS 5.2). */
public final class Wanted {

    private Wanted() {
    }

    /** Where a variable is declared with its type, where one is assigned, and where a method hands back a result. */
    public static Optional<TypeMirror> at(TreePath value, Code code) {
        TreePath parent = value.getParentPath();
        return parent.getLeaf() instanceof ReturnTree ? code.result(parent).flatMap(code::type) : code.target(parent);
    }

    /** The same, also for an argument of a method or constructor of whose name and number of parameters there is one only. */
    public static Optional<TypeMirror> orTaken(TreePath value, Code code) {
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

    private static boolean isAlone(ExecutableElement method, Code code) {
        TypeElement owner = (TypeElement) method.getEnclosingElement();
        List<? extends Element> members = method.getKind() == ElementKind.CONSTRUCTOR
                ? owner.getEnclosedElements() : code.elements().getAllMembers(owner);
        return members.stream().filter(other -> other.getSimpleName().equals(method.getSimpleName())
                && other instanceof ExecutableElement twin
                && (twin.isVarArgs() || twin.getParameters().size() == method.getParameters().size())).count() == 1;
    }
}
