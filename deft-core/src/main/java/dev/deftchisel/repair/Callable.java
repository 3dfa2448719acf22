package dev.deftchisel.repair;

import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.NamedTypes;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** The methods or constructors that a call could mean by its name. */
public final class Callable {

    private Callable() {
    }

    public static List<ExecutableElement> of(TreePath call, AttributedFile code) {
        if (call.getLeaf() instanceof NewClassTree made) {
            return code.element(new TreePath(call, made.getIdentifier()))
                    .or(() -> code.type(new TreePath(call, made.getIdentifier())).filter(type -> type instanceof DeclaredType)
                            .map(type -> ((DeclaredType) type).asElement()))
                    .map(type -> ElementFilter.constructorsIn(type.getEnclosedElements())).orElse(List.of());
        }
        MethodInvocationTree tree = (MethodInvocationTree) call.getLeaf();
        if (AttributedFile.callsConstructor(tree)) {
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

    /** What a method takes where it is called: with the type arguments of what it is called on, as far as they are known. */
    public static List<? extends TypeMirror> formals(TreePath call, ExecutableElement method, AttributedFile code) {
        List<? extends TypeMirror> declared = method.getParameters().stream().map(VariableElement::asType).toList();
        Optional<DeclaredType> holder = holder(call, code).filter(type -> type instanceof DeclaredType).map(type -> (DeclaredType) type);
        try {
            return holder.<List<? extends TypeMirror>>map(type -> ((ExecutableType) code.types().asMemberOf(type, method)).getParameterTypes())
                    .orElse(declared);
        } catch (IllegalArgumentException noMember) {
            // it is one of a class further out
            return declared;
        }
    }

    private static Optional<TypeMirror> holder(TreePath call, AttributedFile code) {
        if (call.getLeaf() instanceof NewClassTree made) {
            return code.type(new TreePath(call, made.getIdentifier()));
        }
        MethodInvocationTree tree = (MethodInvocationTree) call.getLeaf();
        Optional<TypeElement> around = code.enclosingType(call);
        boolean isAbove = tree.getMethodSelect().toString().matches("super(\\..*)?");
        if (isAbove) {
            return around.map(TypeElement::getSuperclass);
        }
        return tree.getMethodSelect() instanceof MemberSelectTree select
                ? code.type(new TreePath(new TreePath(call, select), select.getExpression())) : around.map(TypeElement::asType);
    }

    /**
     * What an argument is to be turned into. Where the method itself has type parameters, they stand for what the argument
     * has in their place; empty when that is not to be seen.
     */
    public static Optional<TypeMirror> wanted(TreePath call, ExecutableElement method, int index, Optional<TypeMirror> own, AttributedFile code) {
        TypeMirror formal = formals(call, method, code).get(index);
        boolean isOpen = method.getTypeParameters().stream().anyMatch(parameter -> NamedTypes.shown(formal).matches(
                "(.*\\W)?" + parameter.getSimpleName() + "(\\W.*)?"));
        if (!isOpen) {
            return Optional.of(formal);
        }
        return formal instanceof DeclaredType type && own.isPresent() && own.get() instanceof DeclaredType given
                && type.getTypeArguments().size() == given.getTypeArguments().size()
                ? Optional.of(code.types().getDeclaredType((TypeElement) type.asElement(),
                        given.getTypeArguments().toArray(TypeMirror[]::new))) : Optional.empty();
    }

    private static List<ExecutableElement> named(List<? extends Element> members, String name) {
        return ElementFilter.methodsIn(members).stream().filter(method -> method.getSimpleName().contentEquals(name)).distinct().toList();
    }
}
