package dev.deftchisel.declare;

import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** The type arguments of an object that is made without saying them (JLS 15.9.3), told by what is handed to it later. */
final class Diamond {

    private Diamond() {
    }

    /** Whether a value is made with a diamond, so that its own type says little. */
    static boolean isMade(TreePath value) {
        return value.getLeaf() instanceof NewClassTree made && made.getIdentifier() instanceof ParameterizedTypeTree type
                && type.getTypeArguments().isEmpty();
    }

    /** The type of it with all arguments; empty when the uses do not tell each. */
    static Optional<TypeMirror> filled(DeclaredType made, List<Missing> uses) {
        TypeElement type = (TypeElement) made.asElement();
        TypeMirror[] arguments = new TypeMirror[type.getTypeParameters().size()];
        for (int i = 0; i < arguments.length; i++) {
            TypeParameterElement parameter = type.getTypeParameters().get(i);
            Optional<TypeMirror> told = uses.stream().flatMap(use -> handed(type, parameter, use).stream()).findFirst();
            if (told.isEmpty()) {
                return Optional.empty();
            }
            arguments[i] = told.get();
        }
        return Optional.of(uses.get(0).code().types().getDeclaredType(type, arguments));
    }

    /** What a call of one of its methods hands over for a type parameter. */
    private static Optional<TypeMirror> handed(TypeElement type, TypeParameterElement parameter, Missing use) {
        Code code = use.code();
        TreePath select = use.value().getParentPath();
        TreePath call = select.getParentPath();
        if (!(select.getLeaf() instanceof MemberSelectTree member) || !(call.getLeaf() instanceof MethodInvocationTree called)) {
            return Optional.empty();
        }
        return ElementFilter.methodsIn(code.elements().getAllMembers(type)).stream()
                .filter(method -> method.getSimpleName().equals(member.getIdentifier())
                        && method.getParameters().size() == called.getArguments().size())
                .map(method -> (ExecutableType) code.types().asMemberOf((DeclaredType) type.asType(), method))
                .flatMap(method -> {
                    int index = method.getParameterTypes().indexOf(parameter.asType());
                    return index < 0 ? Optional.<TypeMirror>empty().stream()
                            : code.type(new TreePath(call, called.getArguments().get(index))).stream();
                })
                .filter(argument -> argument.getKind() != TypeKind.NULL && argument.getKind() != TypeKind.ERROR)
                .map(code::boxed)
                .findFirst();
    }
}
