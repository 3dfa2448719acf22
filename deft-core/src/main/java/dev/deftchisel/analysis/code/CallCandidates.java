package dev.deftchisel.analysis.code;

import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.symbol.NamedTypes;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * The methods or constructors that a call could mean by its name and its place, before its arguments are looked at (JLS
 * 15.12.1, 15.9.3). Works also where the compiler binds the call to none.
 *
 * @param code the file
 * @param call a call of a method or constructor, or the creation of an object
 */
public record CallCandidates(AttributedFile code, TreePath call) {

    /** All of them, whatever number of arguments they take. */
    public List<ExecutableElement> all() {
        if (call.getLeaf() instanceof NewClassTree created) {
            return code.element(new TreePath(call, created.getIdentifier())).filter(TypeElement.class::isInstance)
                    .or(() -> element(code.type(new TreePath(call, created.getIdentifier()))))
                    .map(type -> ElementFilter.constructorsIn(type.getEnclosedElements())).orElse(List.of());
        }
        MethodInvocationTree tree = (MethodInvocationTree) call.getLeaf();
        if (TreePaths.callsConstructor(tree)) {
            boolean isThis = tree.getMethodSelect().toString().equals("this");
            return code.enclosingType(call)
                    .map(type -> isThis ? type : (TypeElement) code.types().asElement(type.getSuperclass()))
                    .map(type -> ElementFilter.constructorsIn(type.getEnclosedElements())).orElse(List.of());
        }
        String name = Calls.name(tree);
        if (tree.getMethodSelect() instanceof MemberSelectTree select) {
            TreePath receiver = new TreePath(new TreePath(call, select), select.getExpression());
            return code.element(receiver).filter(TypeElement.class::isInstance).or(() -> element(code.type(receiver)))
                    .map(type -> named(code.elements().getAllMembers((TypeElement) type), name)).orElse(List.of());
        }
        return named(code.visible(call), name);
    }

    /** Those that have just as many parameters as the call has arguments. */
    public List<ExecutableElement> ofSameArity() {
        int arguments = Calls.arguments(call.getLeaf()).size();
        return all().stream().filter(method -> method.getParameters().size() == arguments).toList();
    }

    /** Whether a method can be called with a number of arguments (JLS 15.12.2.1). */
    public static boolean takes(ExecutableElement method, int arguments) {
        int parameters = method.getParameters().size();
        return method.isVarArgs() ? parameters - 1 <= arguments : parameters == arguments;
    }

    /** Whether no other method or constructor of the type can be called by the same name with as many arguments. */
    public static boolean isOnlyCandidate(ExecutableElement method, AttributedFile code) {
        TypeElement owner = (TypeElement) method.getEnclosingElement();
        List<? extends Element> members = method.getKind() == ElementKind.CONSTRUCTOR
                ? owner.getEnclosedElements() : code.elements().getAllMembers(owner);
        return members.stream().filter(other -> other.getSimpleName().equals(method.getSimpleName())
                && other instanceof ExecutableElement twin
                && (twin.isVarArgs() || twin.getParameters().size() == method.getParameters().size())).count() == 1;
    }

    /**
     * The types of a candidate's parameters, with the type arguments of what it is called on, as far as they are known.
     */
    public List<? extends TypeMirror> formals(ExecutableElement method) {
        List<? extends TypeMirror> declared = method.getParameters().stream().map(VariableElement::asType).toList();
        Optional<DeclaredType> holder = holder().filter(DeclaredType.class::isInstance).map(DeclaredType.class::cast);
        try {
            return holder.<List<? extends TypeMirror>>map(
                    type -> ((ExecutableType) code.types().asMemberOf(type, method)).getParameterTypes())
                    .orElse(declared);
        } catch (IllegalArgumentException noMember) {
            // it is one of a class further out
            return declared;
        }
    }

    /**
     * What takes one of some arguments: a parameter, or the element of the last one where a variable number is taken
     * and not just an array is passed (JLS 15.12.4.2).
     *
     * @param formals types of the parameters of the method
     * @param given   number of arguments
     * @param index   of the argument, from 0
     * @return empty where there is no such parameter
     */
    public static Optional<TypeMirror> parameter(
            ExecutableElement method, List<? extends TypeMirror> formals, int given, int index) {
        int last = formals.size() - 1;
        if (method.isVarArgs() && index >= last) {
            TypeMirror type = formals.get(last);
            return Optional.of(given == last + 1 || !(type instanceof ArrayType) ? type : ((ArrayType) type)
                    .getComponentType());
        }
        return index > last ? Optional.empty() : Optional.of(formals.get(index));
    }

    /**
     * What an argument has to be turned into for a candidate. Where the method itself has type parameters, they stand
     * for what the argument has in their place; empty when that is not to be seen.
     *
     * @param index of the argument, less than the number of parameters
     * @param own   type of the argument as it is
     */
    public Optional<TypeMirror> target(ExecutableElement method, int index, Optional<TypeMirror> own) {
        TypeMirror formal = formals(method).get(index);
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

    /** The type whose member is called. */
    private Optional<TypeMirror> holder() {
        if (call.getLeaf() instanceof NewClassTree created) {
            return code.type(new TreePath(call, created.getIdentifier()));
        }
        MethodInvocationTree tree = (MethodInvocationTree) call.getLeaf();
        Optional<TypeElement> around = code.enclosingType(call);
        boolean isAbove = tree.getMethodSelect().toString().matches("super(\\..*)?");
        if (isAbove) {
            return around.map(TypeElement::getSuperclass);
        }
        return tree.getMethodSelect() instanceof MemberSelectTree select
                ? code.type(new TreePath(new TreePath(call, select), select.getExpression()))
                : around.map(TypeElement::asType);
    }

    private static Optional<Element> element(Optional<TypeMirror> type) {
        return type.filter(DeclaredType.class::isInstance).map(one -> ((DeclaredType) one).asElement());
    }

    private static List<ExecutableElement> named(List<? extends Element> members, String name) {
        return ElementFilter.methodsIn(members).stream().filter(method -> method.getSimpleName().contentEquals(name))
                .distinct().toList();
    }
}
