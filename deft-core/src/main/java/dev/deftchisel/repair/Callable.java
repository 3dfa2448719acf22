package dev.deftchisel.repair;

import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Calls;
import dev.deftchisel.analysis.Code;
import java.util.List;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.util.ElementFilter;

/** The methods or constructors that a call could mean by its name. */
final class Callable {

    private Callable() {
    }

    static List<ExecutableElement> of(TreePath call, Code code) {
        if (call.getLeaf() instanceof NewClassTree made) {
            return code.element(new TreePath(call, made.getIdentifier()))
                    .or(() -> code.type(new TreePath(call, made.getIdentifier())).filter(type -> type instanceof DeclaredType)
                            .map(type -> ((DeclaredType) type).asElement()))
                    .map(type -> ElementFilter.constructorsIn(type.getEnclosedElements())).orElse(List.of());
        }
        MethodInvocationTree tree = (MethodInvocationTree) call.getLeaf();
        if (Code.callsConstructor(tree)) {
            boolean isThis = tree.getMethodSelect().toString().equals("this");
            return code.enclosingType(call)
                    .map(type -> isThis ? type : (TypeElement) code.types().asElement(type.getSuperclass()))
                    .map(type -> ElementFilter.constructorsIn(type.getEnclosedElements())).orElse(List.of());
        }
        String name = Calls.name(tree);
        if (tree.getMethodSelect() instanceof MemberSelectTree select) {
            TreePath receiver = new TreePath(new TreePath(call, select), select.getExpression());
            return code.element(receiver).filter(element -> element instanceof TypeElement).map(element -> (TypeElement) element)
                    .or(() -> code.type(receiver).filter(type -> type instanceof DeclaredType)
                            .map(type -> (TypeElement) ((DeclaredType) type).asElement()))
                    .map(type -> named(code.elements().getAllMembers(type), name)).orElse(List.of());
        }
        return named(code.visible(call), name);
    }

    private static List<ExecutableElement> named(List<? extends Element> members, String name) {
        return ElementFilter.methodsIn(members).stream().filter(method -> method.getSimpleName().contentEquals(name)).distinct().toList();
    }
}
